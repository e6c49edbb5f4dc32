import { TextField } from '../kit/form/TextField.tsx';

/** The machine a job is done on, where it is on one. */
export const AssetFields = () => (
  <>
    <TextField name="assetCode" label="Code of the machine" isOptional placeholder="M-02" maxLength={40} />
    <TextField
      name="assetName"
      label="What machine it is"
      isOptional
      placeholder="mill in the shop"
      maxLength={80}
    />
  </>
);
