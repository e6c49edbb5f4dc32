import ArrowUp from 'lucide-react/icons/arrow-up';
import { siteKindOf, siteKinds } from '#client/site-kinds.ts';
import type { ReadLine } from '#core/job/fastener-list.ts';
import { ORDER_WORDS } from '#wire/words/order.ts';
import { Tick } from '../kit/Tick.tsx';
import type { GroupDraft } from './use-fastener-list.ts';

type Props = {
  readonly group: GroupDraft;
  /** Its place in the order of the work, from 0; null where it is the only one. */
  readonly place: number | null;
  readonly lines: readonly ReadLine[];
  readonly onChange: (change: Partial<GroupDraft>) => void;
  readonly onUp: () => void;
};

const kindFacts = (code: string): string => {
  const kind = siteKindOf(code);
  if (!kind) return 'The kind decides the words, the cautions, the order, the passes and what is measured.';
  const passes = kind.passes.length === 1 ? 'one pass' : `${kind.passes.length} passes`;
  const rounds = kind.roundsUntilStill ? ', then rounds until nothing moves' : '';
  const steps = kind.steps.length;
  return `${ORDER_WORDS[kind.order]}, ${passes}${rounds}, ${steps} cautions and steps`;
};

/** How a group of the list is to be worked: its kind of joint, its name, from where it is drawn, and which of its parts there is no other of. */
export const GroupChoice = ({ group, place, lines, onChange, onUp }: Props) => {
  const { id, title, jointKind, seenFrom, irreplaceable } = group;
  const parts = [...new Set(lines.flatMap(({ fastener }) => fastener?.part || []))];
  const choose = (code: string): void =>
    onChange({ jointKind: code, seenFrom: siteKindOf(code)?.words.seenFrom ?? seenFrom });
  return (
    <div className="grid gap-3 border-t border-rule pt-3 sm:grid-cols-2" data-group={id}>
      {place !== null && (
        <h2 className="flex items-center justify-between gap-2 font-bold sm:col-span-2">
          <span>
            {place + 1}. Group {id}, {lines.length} lines
          </span>
          {place > 0 && (
            <button type="button" className="act-quiet" onClick={onUp}>
              <ArrowUp size={18} aria-hidden="true" /> Work it earlier
            </button>
          )}
        </h2>
      )}
      <label>
        Kind of joint
        <select
          className="field mt-1"
          name={`kind-${id}`}
          value={jointKind}
          required
          onChange={(event) => choose(event.target.value)}
        >
          <option value="">choose …</option>
          {siteKinds().map(({ code, name }) => (
            <option key={code} value={code}>
              {name}
            </option>
          ))}
        </select>
        <span className="text-s text-faint">{kindFacts(jointKind)}</span>
      </label>
      <label>
        The drawing is seen
        <input
          className="field mt-1"
          name={`seenFrom-${id}`}
          value={seenFrom}
          required
          maxLength={60}
          onChange={(event) => onChange({ seenFrom: event.target.value })}
        />
      </label>
      {place !== null && (
        <label>
          What it is called
          <input
            className="field mt-1"
            value={title}
            required
            maxLength={80}
            onChange={(event) => onChange({ title: event.target.value })}
          />
        </label>
      )}
      {parts.length > 0 && (
        <fieldset className="sm:col-span-2">
          <legend>Parts there is no other of</legend>
          <div className="flex flex-wrap gap-x-5">
            {parts.map((code) => (
              <Tick
                key={code}
                isOn={irreplaceable.includes(code)}
                onChange={(isOn) =>
                  onChange({
                    irreplaceable: isOn
                      ? [...irreplaceable, code]
                      : irreplaceable.filter((each) => each !== code),
                  })
                }
              >
                <span className="font-mono">{code}</span>
              </Tick>
            ))}
          </div>
        </fieldset>
      )}
    </div>
  );
};
