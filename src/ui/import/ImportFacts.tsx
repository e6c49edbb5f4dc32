import { TextField } from '../kit/form/TextField.tsx';
import { AssetFields } from './AssetFields.tsx';

/** What the job is, where its values are printed, and the machine it is done on. */
export const ImportFacts = () => (
  <section className="panel grid gap-3 p-4 sm:grid-cols-2">
    <TextField
      name="title"
      label="What is it"
      placeholder="Dome drive cabinet, strip X3"
      maxLength={120}
      className="sm:col-span-2"
    />
    <TextField
      name="sourceTitle"
      label="Where the values are printed"
      placeholder="Terminal schedule, or the label’s place"
      maxLength={120}
    />
    <TextField name="revision" label="Revision" isOptional placeholder="B" maxLength={40} />
    <TextField
      name="place"
      label="Page or place"
      isOptional
      placeholder="sheet 2, inside the door"
      maxLength={120}
    />
    <AssetFields />
  </section>
);
