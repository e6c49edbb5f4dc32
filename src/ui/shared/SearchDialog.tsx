import { Dialog } from '../kit/Dialog.tsx';
import { SearchField } from './SearchField.tsx';
import { hitAddress } from './use-search.ts';

type Props = {
  /** Hands over what was typed while the sheet was on its way, once. */
  readonly takeTypedAhead: () => string;
  readonly onClose: () => void;
};

/** The search over everything, as a sheet over the page. */
export const SearchDialog = ({ takeTypedAhead, onClose }: Props) => (
  <Dialog title="Search" onClose={onClose}>
    <SearchField
      takeTypedAhead={takeTypedAhead}
      label="Search everything"
      placeholder="part, size, source, tool, job: flare -6, M4, #10, TS-07 …"
      onOpen={(hit) => window.location.assign(hitAddress(hit))}
    />
    <p className="mt-3 text-s text-faint">
      Sizes may be written any way: M8, m 8, 8 mm; #10, 10 AWG; -6, dash 6, 3/8. Enter opens, Esc closes.
    </p>
  </Dialog>
);
