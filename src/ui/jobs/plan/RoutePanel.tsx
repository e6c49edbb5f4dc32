import { unitSymbol } from '#core/quantity/unit.ts';
import type { JobRoute, RouteLeg } from '#core/route/job-route.ts';
import type { Pace } from '#core/route/pace.ts';
import type { Tool } from '#core/tool/tool.ts';
import { comingPositions } from '#core/view/open-items.ts';
import { settingCount } from '#core/view/setting-count.ts';
import { sameSettingFirst } from '#core/view/setting-order.ts';
import { needsNoSetting } from '#core/view/wanted-setting.ts';
import type { CribTool } from '#wire/tool.ts';
import { passWords } from '#wire/words/joint.ts';
import { changesWords, fewerWords, legWords, paceWords } from '#wire/words/route.ts';
import { Tick } from '../../kit/Tick.tsx';
import { useComfort } from '../bench/use-comfort.ts';
import type { OpenJob } from '../use-job.ts';
import { useRoute } from './use-route.ts';

const LEGS_IN_VIEW = 6;

const Leg = ({ leg }: { readonly leg: RouteLeg }) => {
  const { tool, setting, stops } = leg;
  const [first] = stops;
  if (!first) return null;
  const { group, pass } = first;
  const isAlike = stops.every((stop) => stop.group === group && stop.pass === pass);
  return (
    <li className="border-b border-rule py-1">
      <strong>{tool.code}</strong>{' '}
      {needsNoSetting(tool) ? 'as it is' : `at ${setting.text} ${unitSymbol(tool.scale.unit)}`} ·{' '}
      <span className="font-mono">{legWords(stops.map(({ position }) => position))}</span>
      {group.kind.passes.length > 1 && isAlike && (
        <span className="text-faint">
          {' '}
          · {pass > group.kind.passes.length ? 'a round at full torque' : passWords(group.kind, pass)}
        </span>
      )}
    </li>
  );
};

const Legs = ({ legs }: Pick<JobRoute, 'legs'>) => {
  const listed = (some: readonly RouteLeg[], from: number) => (
    <ol className="list-inside list-decimal text-s" start={from + 1}>
      {some.map((leg) => (
        <Leg key={`${leg.stops[0]?.pass} ${leg.stops[0]?.position}`} leg={leg} />
      ))}
    </ol>
  );
  return (
    <>
      {listed(legs.slice(0, LEGS_IN_VIEW), 0)}
      {legs.length > LEGS_IN_VIEW && (
        <details>
          <summary className="min-h-11 cursor-pointer content-center">
            and {legs.length - LEGS_IN_VIEW} more
          </summary>
          {listed(legs.slice(LEGS_IN_VIEW), LEGS_IN_VIEW)}
        </details>
      )}
    </>
  );
};

type TakeProps = {
  /** Whether the route is of the job as it is now: only then are its tools taken. */
  readonly isFresh: boolean;
  readonly job: OpenJob;
  readonly route: JobRoute;
  readonly crib: readonly CribTool[];
};

/** Takes every tool of the route for the groups that it works and that have none at hand yet. */
const TakeAll = ({ job, route, crib, isFresh }: TakeProps) => {
  const groupsOf = new Map<Tool, Set<string>>();
  for (const { tool, stops } of route.legs)
    for (const { group } of stops)
      if ((job.view.toolsOf.get(group.id) ?? []).length === 0)
        groupsOf.set(tool, (groupsOf.get(tool) ?? new Set()).add(group.id));
  const tools = [...groupsOf];
  // One tool is taken where it is shown, above.
  if (tools.length < 2) return null;
  const takeAll = (): void => {
    for (const [tool, groups] of tools) {
      const blocks = crib.find((each) => each.tool.id === tool.id)?.blocks ?? [];
      const body = { tool, adapters: [], blocks, override: null, groups: [...groups], isBeside: true };
      if (!job.happen({ kind: 'tool-chosen', body }).ok) return;
    }
  };
  return (
    <button
      type="button"
      className="act-quiet justify-self-start"
      disabled={!job.isReady || !isFresh}
      onClick={takeAll}
    >
      Take {tools.map(([{ code }]) => code).join(' and ')}
    </button>
  );
};

type Props = { readonly job: OpenJob; readonly crib: readonly CribTool[]; readonly pace: Pace | null };

/** The way through what is left of a job: which tool at which setting for which fastener, with how many changes and in what time. */
export const RoutePanel = ({ job, crib, pace }: Props) => {
  const { view } = job;
  const [comfort, comfortStore] = useComfort();
  const { route, isFresh, isBroken } = useRoute(view, crib);
  const left = comingPositions(view, null);
  const asListed = settingCount(view, left);
  const fewest = settingCount(view, sameSettingFirst(view, left));
  if (left.length === 0) return null;
  if (!route)
    return (
      <section className="panel p-4" aria-label="Route" data-testid="route">
        <h2 className="text-l font-bold">Route</h2>
        <p className="text-s text-faint" role="status">
          {isBroken
            ? 'The route could not be worked out here. The bench goes by the list; load the page again to try once more.'
            : 'Looking for the fewest changes of tool and setting …'}
        </p>
      </section>
    );
  if (route.legs.length === 0) return null;
  const isWorse = asListed.settings > fewest.settings;
  const isAsListed = isWorse && !comfort.fewest;
  return (
    <section className="panel grid gap-2 p-4" aria-label="Route" data-testid="route">
      <h2 className="text-l font-bold">Route: {changesWords(route)}</h2>
      <p className="text-s">{paceWords(pace, route.pulls, route)}</p>
      <p className="text-s text-faint">{fewerWords(route)}</p>
      {isWorse && (
        <Tick isOn={comfort.fewest} onChange={(isOn) => comfortStore.change({ fewest: isOn })}>
          <span>
            same setting first: {fewest.settings} settings instead of {asListed.settings} as listed
          </span>
        </Tick>
      )}
      {isAsListed && <p className="font-semibold text-low">The bench goes by the list until this is on.</p>}
      <Legs legs={route.legs} />
      <TakeAll job={job} route={route} crib={crib} isFresh={isFresh} />
      {view.plan.groups.some(({ kind }) => kind.roundsUntilStill) && (
        <p className="text-s text-faint">With one round at full torque; more follow while anything moves.</p>
      )}
    </section>
  );
};
