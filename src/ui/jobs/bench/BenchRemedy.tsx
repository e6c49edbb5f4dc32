import { groupOf } from '#core/job/plan.ts';
import { REMEDY_ACTS, type RemedyAct } from '#core/remedy/trouble.ts';
import type { FastenerView } from '#core/view/bench.ts';
import type { JobView } from '#core/view/job-view.ts';
import { INSPECTION_WORDS, TROUBLE_WORDS } from '#wire/words/trouble.ts';
import { KnownTroubles } from './KnownTroubles.tsx';

const NAMES: Readonly<Record<RemedyAct, string>> = {
  loosen: 'loosen',
  inspect: 'look at it',
  replace: 'replace',
};

/** What went wrong with the fastener in front, and the way to put it right: what is done of it, what is next, what follows. */
export const BenchRemedy = ({
  fastener,
  view,
}: {
  readonly fastener: FastenerView;
  readonly view: JobView;
}) => {
  const { remedy, planned } = fastener;
  if (!remedy) return null;
  const { name, advice } = TROUBLE_WORDS[remedy.trouble];
  const [next] = remedy.left;
  const reached = next === undefined ? REMEDY_ACTS.length : REMEDY_ACTS.indexOf(next);
  const shown = REMEDY_ACTS.filter((act, index) => index < reached || remedy.left.includes(act)).filter(
    (act) => act !== 'replace' || remedy.left.includes('replace'),
  );
  return (
    <section
      aria-label="What went wrong"
      className="grid gap-2 rounded-md border-2 border-high p-3"
      data-testid="remedy"
    >
      <h3 className="text-l font-bold">
        {planned.position}: {name.toLowerCase()}
      </h3>
      <p>{advice}</p>
      <ol className="flex flex-wrap gap-x-2 text-m">
        {shown.map((act) => (
          <li key={act} className={act === next ? 'font-bold' : 'text-faint'}>
            {remedy.left.includes(act) ? NAMES[act] : `${NAMES[act]} ✓`} →
          </li>
        ))}
        <li className="text-faint">pull again from snug</li>
      </ol>
      {next === 'inspect' && <p className="font-semibold">{INSPECTION_WORDS}</p>}
      <p className="text-s text-faint">Common practice. The maker’s instructions come first.</p>
      <KnownTroubles kind={groupOf(view.plan, planned).kind} />
    </section>
  );
};
