import type { Invitation } from '#wire/api-people.ts';
import { Dialog } from '../kit/Dialog.tsx';
import { timeHere } from '../kit/time/here.ts';
import { QrPicture } from './QrPicture.tsx';

type Props = { readonly name: string; readonly invitation: Invitation; readonly onClose: () => void };

/** What a lead holds up: the code that a telephone scans, or that is typed on any device, to choose a PIN. */
export const InviteDialog = ({ name, invitation: { code, address, expiresAt }, onClose }: Props) => (
  <Dialog title={`${name} chooses a PIN`} onClose={onClose}>
    <div className="grid gap-3" data-testid="invitation">
      <p>
        {name} scans this with their telephone, or opens <strong>I have an invitation</strong> on the sign-in
        page of any device and types:
      </p>
      <p className="text-center font-mono text-2xl font-bold tracking-wider" data-testid="invitation-code">
        {code}
      </p>
      <QrPicture address={address} label={`The invitation of ${name} as a QR code`} />
      <p className="text-s text-faint">
        It works once, until {timeHere(expiresAt)}. Nobody else ever sees the PIN that {name} chooses. A
        telephone that warns of the site first needs to trust its certificate: see docs/deploy.md.
      </p>
    </div>
  </Dialog>
);
