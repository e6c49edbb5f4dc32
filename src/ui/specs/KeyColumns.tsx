import { KEY_KINDS, type KeyKind } from '#core/spec/lookup/key-span.ts';
import type { LookupTable } from '#core/spec/lookup/lookup-table.ts';
import { KEY_KIND_WORDS } from '#wire/words/lookup.ts';

type Keys = LookupTable['keys'];
type Props = { readonly keys: Keys; readonly onKeys: (keys: Keys) => void };

/** The key columns of a table: what each is named, and what it holds. */
export const KeyColumns = ({ keys, onKeys }: Props) => {
  const change = (column: number, part: Partial<Keys[number]>): void =>
    onKeys(keys.map((each, at) => (at === column ? { ...each, ...part } : each)));
  return (
    <div className="grid gap-3 sm:grid-cols-2">
      {keys.map((key, column) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: columns have no identity but their place
        <div key={column} className="grid grid-cols-2 gap-2">
          <label>
            Column {column + 1} is named
            <input
              className="field mt-1"
              value={key.name}
              required
              maxLength={120}
              onChange={(event) => change(column, { name: event.target.value })}
            />
          </label>
          <label>
            and holds
            <select
              className="field mt-1"
              value={key.kind}
              onChange={(event) => change(column, { kind: event.target.value as KeyKind })}
            >
              {KEY_KINDS.map((kind) => (
                <option key={kind} value={kind}>
                  {KEY_KIND_WORDS[kind]}
                </option>
              ))}
            </select>
          </label>
        </div>
      ))}
    </div>
  );
};
