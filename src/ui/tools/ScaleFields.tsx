import { type TorqueUnit, unitSymbol } from '#core/quantity/unit.ts';
import { ChoiceField } from '../kit/form/ChoiceField.tsx';
import { TextField } from '../kit/form/TextField.tsx';
import { askedOf, type ToolDraft } from './tool-draft.ts';

/** What is asked of a tool's scale: only what a scale of its form has. */
export const ScaleFields = ({ draft }: { readonly draft: ToolDraft }) => {
  const unit = unitSymbol(draft.unit as TorqueUnit);
  const { range, barrel, sight, rest } = askedOf(draft);
  if (!range) return <TextField name="minimum" label="Its setting" unit={unit} />;
  return (
    <>
      <TextField name="minimum" label="Lowest on the scale" unit={unit} />
      <TextField name="maximum" label="Highest on the scale" unit={unit} />
      <TextField
        name="perTurn"
        label={barrel ? 'One full turn of the handle' : 'From one number to the next'}
        unit={unit}
      />
      <TextField name="graduation" label={barrel ? 'One mark on the barrel' : 'One graduation'} unit={unit} />
      {barrel && (
        <>
          <TextField
            name="mainStart"
            label="Main graduations count from"
            unit={unit}
            placeholder="the lowest"
          />
          <ChoiceField
            name="raisedBy"
            label="The handle raises it"
            options={[
              { value: 'clockwise', words: 'clockwise' },
              { value: 'anticlockwise', words: 'anticlockwise' },
            ]}
          />
        </>
      )}
      {sight && (
        <ChoiceField
          name="sight"
          label="Its needle is read"
          options={[
            { value: 'raised', words: 'standing above the scale' },
            { value: 'mirror', words: 'before a mirror' },
            { value: 'plain', words: 'in plain view, flush with the scale' },
          ]}
        />
      )}
      {rest && <TextField name="rest" label="Wound down to" unit={unit} placeholder="the lowest" />}
    </>
  );
};
