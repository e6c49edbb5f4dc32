import Plus from 'lucide-react/icons/plus';
import X from 'lucide-react/icons/x';
import { type BoardGroup, changeGroup } from '#client/layout/board-store.ts';
import { siteKindOf } from '#client/site-kinds.ts';
import type { JointKind, Pass, PassTemplate } from '#core/joint/joint-kind.ts';
import { waitsOf } from '#core/joint/waits.ts';
import { waitWords } from '#wire/words/joint.ts';
import { passesWords } from '#wire/words/order.ts';
import { LoneField } from '../kit/form/LoneField.tsx';
import { Tick } from '../kit/Tick.tsx';

type Props = { readonly group: BoardGroup };

const PASSES_MOST = 12;
const OWN_SOURCE = 'chosen for this job';

const templatesOf = (kind: JointKind): readonly PassTemplate[] => [
  {
    id: 'kind',
    name: passesWords(kind),
    passes: kind.passes,
    roundsUntilStill: kind.roundsUntilStill,
    source: kind.passesSource ?? '',
  },
  ...(kind.otherPasses ?? []),
];

const same = (a: readonly Pass[], b: readonly Pass[]): boolean => JSON.stringify(a) === JSON.stringify(b);

const percentOf = ({ amount }: Pass): string =>
  amount.kind === 'share' ? String(Math.round(amount.share * 100)) : '';

/** A pass as it was typed: by its share in percent. Null where that is none. */
const passOf = (text: string, last: boolean): Pass | null => {
  const percent = Number(text);
  if (!Number.isInteger(percent) || percent < 1 || percent > 100) return null;
  return {
    name: last || percent === 100 ? 'full torque' : `${percent} %`,
    amount: { kind: 'share', share: percent / 100 },
  };
};

/** In how many passes they are brought to their torque: a template of the kind with its source, or shares of one's own. */
export const PassesChoice = ({ group }: Props) => {
  const kind = siteKindOf(group.jointKind);
  if (!kind) return <p className="text-s text-faint">Choose the kind of joint first.</p>;
  const { passes, roundsUntilStill } = group;
  const change = (next: readonly Pass[], rounds = roundsUntilStill): void =>
    changeGroup({ passes: next, roundsUntilStill: rounds, passesSource: OWN_SOURCE });
  const waits = waitsOf(kind);
  return (
    <div className="grid gap-3">
      <fieldset className="grid gap-2">
        <legend className="sr-only">Passes</legend>
        {templatesOf(kind).map((template) => {
          const isOn = same(template.passes, passes) && template.roundsUntilStill === roundsUntilStill;
          return (
            <button
              key={template.id}
              type="button"
              aria-pressed={isOn}
              className="act-quiet grid justify-start py-1 text-left aria-pressed:border-layout aria-pressed:font-bold"
              onClick={() =>
                changeGroup({
                  passes: template.passes,
                  roundsUntilStill: template.roundsUntilStill,
                  passesSource: template.source,
                })
              }
            >
              {template.name}
              <span className="text-s font-normal text-faint">
                {template.source === '' ? 'common practice' : template.source}
              </span>
            </button>
          );
        })}
      </fieldset>
      <fieldset className="grid gap-2">
        <legend className="mb-1">Each pass, % of the target</legend>
        <div className="flex flex-wrap items-end gap-2">
          {passes.map((pass, index) => (
            <LoneField
              // biome-ignore lint/suspicious/noArrayIndexKey: a pass is what it is by its place
              key={index}
              label={`${index + 1}`}
              text={percentOf(pass)}
              onText={(text) => {
                const typed = passOf(text, index === passes.length - 1);
                if (typed) change(passes.with(index, typed));
              }}
              inputMode="numeric"
              maxLength={3}
              className="block w-16 font-mono"
            />
          ))}
          <button
            type="button"
            className="act-quiet w-11 px-0"
            aria-label="One pass more"
            disabled={passes.length >= PASSES_MOST}
            onClick={() => change([...passes, { name: 'full torque', amount: { kind: 'share', share: 1 } }])}
          >
            <Plus size={18} aria-hidden="true" />
          </button>
          <button
            type="button"
            className="act-quiet w-11 px-0"
            aria-label="One pass less"
            disabled={passes.length < 2}
            onClick={() => change(passes.slice(1))}
          >
            <X size={18} aria-hidden="true" />
          </button>
        </div>
      </fieldset>
      {kind.words.moved !== '' && (
        <Tick isOn={roundsUntilStill} onChange={(isOn) => change(passes, isOn)}>
          then rounds at full torque until nothing moves
        </Tick>
      )}
      {waits.map(({ id, title, minutes, source }) => (
        <p key={id} className="text-s text-faint">
          {title}: {waitWords(minutes)}, before the rounds ({source === '' ? 'common practice' : source})
        </p>
      ))}
    </div>
  );
};
