import type { SessionEvaluation } from '#core/calibration/session-evaluation.ts';
import { displayDigits } from '#core/quantity/display.ts';
import { fromNewtonMetres, newtonMetres, unitSymbol } from '#core/quantity/unit.ts';
import type { Tool } from '#core/tool/tool.ts';
import type { SessionStage } from './use-session.ts';

type Props = {
  readonly tool: Tool;
  readonly found: SessionEvaluation | null;
  readonly left: SessionEvaluation | null;
  /** Whether a stage has all that a calibration needs. */
  readonly isWhole: (stage: SessionStage) => boolean;
};

const BUDGET_WORDS = {
  reference: 'reference',
  resolution: 'resolution of the scale',
  repeatability: 'repeatability of the mean',
};
const signed = (value: number): string => `${value >= 0 ? '+' : '−'}${Math.abs(value).toFixed(2)}`;

const Stage = ({
  tool,
  name,
  evaluation,
  isWhole,
}: {
  readonly tool: Tool;
  readonly name: string;
  readonly evaluation: SessionEvaluation;
  readonly isWhole: boolean;
}) => {
  const { unit } = tool.scale;
  const show = (torque: number): string =>
    displayDigits(fromNewtonMetres(newtonMetres(torque), unit), { sourceDigits: 3, graduation: null });
  return (
    <div>
      <h2 className="text-l font-bold">
        {name}:{' '}
        <span className={evaluation.hasPassed ? (isWhole ? 'text-in' : '') : 'text-high'}>
          {evaluation.hasPassed
            ? `every reading inside the limit${isWhole ? '' : ' so far'}`
            : 'outside the limit'}
        </span>
      </h2>
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a region that scrolls sideways must be reachable to be scrolled by keys */}
      <section className="overflow-x-auto" aria-label={name} tabIndex={0}>
        <table className="w-full border-collapse text-left font-mono text-m" data-testid={`result-${name}`}>
          <thead>
            <tr className="font-sans text-s text-faint">
              {[
                `at, ${unitSymbol(unit)}`,
                'error, %',
                's, %',
                'b re, %',
                'W (k = 2), %',
                'limit, ± %',
                '',
              ].map((head) => (
                <th key={head} scope="col" className="border-b-2 border-rule p-1 font-normal">
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {evaluation.points.map((point) => (
              <tr key={point.torqueNewtonMetres} className="border-b border-rule">
                <td className="p-1">{show(point.torqueNewtonMetres)}</td>
                <td className="p-1 font-bold">{signed(point.errorPercent)}</td>
                <td className="p-1">
                  {point.deviations.length > 1 ? point.deviationPercent.toFixed(2) : '–'}
                </td>
                <td className="p-1">
                  {point.deviations.length > 1 ? point.repeatabilityPercent.toFixed(2) : '–'}
                </td>
                <td className="p-1">{point.expandedPercent.toFixed(2)}</td>
                <td className="p-1">{point.limitPercent.toFixed(1)}</td>
                <td className="p-1 font-sans text-s">
                  {point.isUsable ? (
                    'error and W inside'
                  ) : point.isInside ? (
                    'inside, but not with W'
                  ) : (
                    <strong className="text-high">outside</strong>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      <details>
        <summary className="min-h-11 cursor-pointer py-2 text-layout underline underline-offset-3">
          uncertainty budget
        </summary>
        <ul className="text-s">
          {evaluation.points.map((point) => (
            <li key={point.torqueNewtonMetres}>
              at {show(point.torqueNewtonMetres)} {unitSymbol(unit)}:{' '}
              {point.budget
                .map((row) => `${BUDGET_WORDS[row.name]} ${row.standardPercent.toFixed(3)} %`)
                .join(', ')}
              ; combined and times 2: {point.expandedPercent.toFixed(2)} %
            </li>
          ))}
        </ul>
      </details>
      <p className="text-s">
        {evaluation.usable
          ? `Right with its uncertainty from ${show(evaluation.usable.lowNewtonMetres)} to ${show(evaluation.usable.highNewtonMetres)} ${unitSymbol(unit)}.`
          : 'At no point do error and uncertainty together stay inside the limit.'}
      </p>
    </div>
  );
};

/** A session as it is judged so far: as found, and as left where it was adjusted. */
export const SessionResult = ({ tool, found, left, isWhole }: Props) =>
  found && (
    <section className="panel grid gap-4 p-4">
      <Stage tool={tool} name="As found" evaluation={found} isWhole={isWhole('asFound')} />
      {left && <Stage tool={tool} name="As left" evaluation={left} isWhole={isWhole('asLeft')} />}
    </section>
  );
