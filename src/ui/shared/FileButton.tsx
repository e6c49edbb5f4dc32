import Upload from 'lucide-react/icons/upload';
import { useListening } from '../kit/form/use-listening.ts';

type Props = {
  readonly words: string;
  readonly accept: string;
  readonly onFile: (file: File) => void;
};

/** The list files that are read. */
export const LIST_FILES = '.csv,.txt,.tsv,text/csv,text/plain';

/** A button that chooses a file; the same file can be chosen again. */
export const FileButton = ({ words, accept, onFile }: Props) => (
  <label className="act-quiet relative cursor-pointer has-focus-visible:outline-3 has-focus-visible:outline-layout">
    <Upload size={18} aria-hidden="true" /> {words}
    <input
      type="file"
      // A file chosen before the page listens would be lost.
      disabled={!useListening()}
      accept={accept}
      className="absolute inset-0 cursor-pointer opacity-0"
      onChange={(event) => {
        const [chosen] = event.target.files ?? [];
        if (chosen) onFile(chosen);
        event.target.value = '';
      }}
    />
  </label>
);
