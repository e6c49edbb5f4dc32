import { type NewtonMetres, newtonMetres, toNewtonMetres } from '../quantity/unit.ts';
import type { Schools } from '../target/schools.ts';
import { type Component, effectiveDegreesOfFreedom, fewReadingsFactor } from '../verdict/coverage-factor.ts';
import { adapterSensitivity, type MountedAdapter } from './adapter.ts';
import { figureAt, readingsAt } from './known-error.ts';
import { EYE_SPLITS_GRADUATION, permissibleDeviation } from './pull-uncertainty.ts';
import type { Tool } from './tool.ts';

/** What a pull's uncertainty comes from. */
export type BudgetName = 'calibration' | 'class' | 'scatter' | 'resolution' | 'parallax' | 'hand' | 'angle';

/** A row of a pull's budget: a standard uncertainty at the fastener, in newton metres. */
export type PullBudgetRow = Component & { readonly name: BudgetName };

export type PullBudget = {
  readonly rows: readonly PullBudgetRow[];
  readonly degreesOfFreedom: number;
  /** Half of what covers 95 %, with few readings and an uncorrected known error counted in. */
  readonly standardUncertainty: NewtonMetres;
};

type Pulled = Pick<Tool, 'limitPercent' | 'limitOf' | 'scale' | 'calibration' | 'leverMillimetres' | 'sight'>;

const RECTANGULAR = Math.sqrt(3);
const MANY = Number.POSITIVE_INFINITY;
/** How far aside a scale is read from, in degrees. Source: common practice, no published source. */
const SEEN_ASIDE_DEGREES = 20;
const COVERAGE_FACTOR = 2;

const row = (name: BudgetName, standard: number, degreesOfFreedom = MANY): readonly PullBudgetRow[] =>
  standard > 0 ? [{ name, standard, degreesOfFreedom }] : [];

/** What the tool itself is uncertain by when it shows a torque: W/2 and the scatter of one pull from its calibration, else its class. */
const toolRows = (shown: number, tool: Pulled): readonly PullBudgetRow[] => {
  const points = tool.calibration?.points ?? [];
  if (points.length === 0) return row('class', permissibleDeviation(newtonMetres(shown), tool) / RECTANGULAR);
  const at = (figure: 'deviationPercent' | 'expandedPercent'): number =>
    (figureAt(points, figure, shown) / 100) * shown;
  const readings = readingsAt(points, shown);
  return [
    ...row('calibration', at('expandedPercent') / COVERAGE_FACTOR),
    ...row('scatter', at('deviationPercent'), readings === null ? MANY : Math.max(1, readings - 1)),
  ];
};

/** What reading the scale costs: its resolution, and where a needle stands above it how far it seems to stand aside. The needle is taken to stand
 *  as high as two marks are apart, unless the tool is said to have a mirror or a plain view. Common practice. */
const scaleRows = ({ scale, sight }: Pulled): readonly PullBudgetRow[] => {
  const graduation = toNewtonMetres(scale.graduation, scale.unit);
  const share = { display: 1, preset: 0 }[scale.form as 'display'] ?? EYE_SPLITS_GRADUATION;
  const hasNeedle = scale.form === 'dial' || scale.form === 'beam';
  const aside = Math.tan((SEEN_ASIDE_DEGREES * Math.PI) / 180) * graduation;
  return [
    ...row('resolution', (graduation * share) / Math.sqrt(12)),
    ...(hasNeedle && (sight ?? 'raised') === 'raised' ? row('parallax', aside / RECTANGULAR) : []),
  ];
};

/** What an offset adapter costs at the fastener: where the hand is, and the angle held by eye unless a stop holds it. */
const adapterRows = (
  shown: number,
  { leverMillimetres }: Pulled,
  adapters: readonly MountedAdapter[],
  factor: number,
): readonly PullBudgetRow[] => {
  const sensitivity = adapterSensitivity(leverMillimetres, adapters);
  if (!sensitivity.ok) return [];
  const { tenDegreesPercent, tenMillimetresPercent } = sensitivity.value;
  const isHeld = adapters.every(
    ({ adapter, isAngleHeld }) => adapter.offsetMillimetres === 0 || isAngleHeld === true,
  );
  const cost = (percent: number): number => (shown * factor * percent) / 100 / RECTANGULAR;
  return [
    ...(factor === 1 ? [] : row('hand', cost(tenMillimetresPercent))),
    ...(isHeld ? [] : row('angle', cost(tenDegreesPercent))),
  ];
};

/** The uncertainty of one pull at the fastener, when a tool shows a torque through adapters, with where it comes from. An error that a
 *  calibration found and nobody corrects is added, as it is, to what covers 95 %.
 *    u = t95(ν)/t95(∞)·√Σuᵢ² (+ |b|/2)
 *  Source: JCGM 100:2008, 4.3.7, 5.1.2 eq. (10), F.2.4.5 and G.4. Departures: none. Valid for: torques above zero. */
export const pullBudget = (
  shown: NewtonMetres,
  tool: Pulled,
  adapters: readonly MountedAdapter[],
  factor: number,
  knownError: Schools['knownError'],
): PullBudget => {
  const atFastener = ({ name, standard, degreesOfFreedom }: PullBudgetRow): PullBudgetRow => ({
    name,
    standard: standard * factor,
    degreesOfFreedom,
  });
  const rows = [
    ...[...toolRows(shown, tool), ...scaleRows(tool)].map(atFastener),
    ...adapterRows(shown, tool, adapters, factor),
  ];
  const degreesOfFreedom = effectiveDegreesOfFreedom(rows);
  const combined = Math.hypot(...rows.map(({ standard }) => standard)) * fewReadingsFactor(degreesOfFreedom);
  const points = tool.calibration?.points ?? [];
  const isAdded = knownError === 'added-to-uncertainty' && points.length > 0;
  const error = isAdded ? Math.abs((figureAt(points, 'errorPercent', shown) / 100) * shown * factor) : 0;
  return { rows, degreesOfFreedom, standardUncertainty: newtonMetres(combined + error / COVERAGE_FACTOR) };
};
