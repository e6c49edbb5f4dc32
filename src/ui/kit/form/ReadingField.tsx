import { NUMBER_MAX_LENGTH } from '#core/quantity/read-number.ts';
import { type TorqueUnit, unitSymbol } from '#core/quantity/unit.ts';
import { NumberPad } from '../NumberPad.tsx';
import { FieldFrame } from './FieldFrame.tsx';
import { useField } from './use-field.ts';

type Props = { readonly name: string; readonly label: string; readonly unit: TorqueUnit };

/** A reading with its unit beside it, typed by keys or by the pad below it. */
export const ReadingField = ({ name, label, unit }: Props) => {
  const { form, input, error } = useField(name, label);
  const typed = (): string => String(form.getValues(name) ?? '');
  const put = (text: string): void =>
    form.setValue(name, text.slice(0, NUMBER_MAX_LENGTH), { shouldDirty: true });
  return (
    <FieldFrame id={input.id} label={`${label} in ${unitSymbol(unit)}`} error={error}>
      <div className="mt-1 flex items-center gap-3">
        <input
          className="field font-mono text-xl"
          inputMode="decimal"
          autoComplete="off"
          maxLength={NUMBER_MAX_LENGTH}
          {...input}
        />
        <span className="text-xl">{unitSymbol(unit)}</span>
      </div>
      <NumberPad
        onDigit={(digit) => put(typed() + digit)}
        onErase={() => put(typed().slice(0, -1))}
        unit={unitSymbol(unit)}
      />
    </FieldFrame>
  );
};
