import { DAY_ORDERS, type DayOrder, type MemoryMapping } from '#core/device/memory-table.ts';
import { TORQUE_UNIT_CODES, type TorqueUnit, unitSymbol } from '#core/quantity/unit.ts';
import type { Memory } from './use-memory.ts';

type Choice = { readonly value: string; readonly words: string };

const NONE = '';
const DAY_WORDS: Readonly<Record<DayOrder, string>> = {
  'year-month-day': 'year, month, day',
  'day-month-year': 'day, month, year',
  'month-day-year': 'month, day, year',
};

const Select = ({
  label,
  value,
  options,
  onChange,
}: {
  readonly label: string;
  readonly value: string;
  readonly options: readonly Choice[];
  readonly onChange: (value: string) => void;
}) => (
  <label className="grid min-w-0">
    <span>{label}</span>
    <select className="field mt-1 min-w-0" value={value} onChange={(event) => onChange(event.target.value)}>
      {options.map((each) => (
        <option key={each.value} value={each.value}>
          {each.words}
        </option>
      ))}
    </select>
  </label>
);

/** Which column of the memory says what; remembered for the model that writes these columns. */
export const MemoryColumns = ({ memory }: { readonly memory: Memory }) => {
  const { read, map } = memory;
  if (!read) return null;
  const { mapping, table } = read;
  const columns: readonly Choice[] = table.header.map((name) => ({ value: name, words: name }));
  const orNone = [{ value: NONE, words: 'none' }, ...columns];
  const column = (name: keyof MemoryMapping, label: string, options: readonly Choice[]) => (
    <Select
      label={label}
      value={String(mapping[name] ?? NONE)}
      options={options}
      onChange={(value) => map({ [name]: value === NONE ? null : value })}
    />
  );
  return (
    <fieldset className="grid grid-cols-[minmax(0,1fr)] gap-3 sm:grid-cols-2 lg:grid-cols-4">
      <legend className="mb-2 text-l font-bold">What its columns say</legend>
      {column('time', 'Time', columns)}
      {column('day', 'Day, where it stands apart', orNone)}
      <Select
        label="Days are written"
        value={mapping.dayOrder ?? NONE}
        options={[
          { value: NONE, words: 'choose: it can’t be told' },
          ...DAY_ORDERS.map((order) => ({ value: order, words: DAY_WORDS[order] })),
        ]}
        onChange={(value) => map({ dayOrder: value === NONE ? null : (value as DayOrder) })}
      />
      <label className="grid min-w-0">
        <span>Its clock is ahead of UTC by, minutes</span>
        <input
          className="field mt-1"
          inputMode="numeric"
          defaultValue={mapping.aheadMinutes}
          onBlur={(event) => {
            const minutes = Number(event.target.value);
            if (Number.isFinite(minutes) && Math.abs(minutes) <= 900) map({ aheadMinutes: minutes });
          }}
        />
      </label>
      {column('torque', 'Torque', columns)}
      {column('unitColumn', 'Unit', orNone)}
      {mapping.unitColumn === null && (
        <Select
          label="Unit of all of them"
          value={mapping.unit ?? NONE}
          options={[
            { value: NONE, words: 'choose: no column says it' },
            ...TORQUE_UNIT_CODES.map((code) => ({ value: code, words: unitSymbol(code) })),
          ]}
          onChange={(value) => map({ unit: value === NONE ? null : (value as TorqueUnit) })}
        />
      )}
      {column('number', 'Number of the reading', orNone)}
      {column('angle', 'Angle, °', orNone)}
    </fieldset>
  );
};
