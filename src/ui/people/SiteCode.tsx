import { useState } from 'react';
import { Dialog } from '../kit/Dialog.tsx';
import { QrPicture } from './QrPicture.tsx';

/** The address of the site as a code, for a telephone of somebody who has a PIN. */
export const SiteCode = ({ address }: { readonly address: string }) => {
  const [isOpen, setOpen] = useState(false);
  return (
    <>
      <button type="button" className="act-quiet" onClick={() => setOpen(true)}>
        This site’s code
      </button>
      {isOpen && (
        <Dialog title="This site on a telephone" onClose={() => setOpen(false)}>
          <p className="mb-3">
            Who has a PIN scans this and signs in. Its menu then offers to install Jentik, so that it opens
            like any other application, also without a network.
          </p>
          <QrPicture address={`${address}/sign-in`} label="The address of this site as a QR code" />
        </Dialog>
      )}
    </>
  );
};
