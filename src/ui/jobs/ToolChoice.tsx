import { useState } from 'react';
import type { JobState } from '#core/job/state.ts';
import { toolSetting } from '#core/setting/tool-setting.ts';
import { isOverdue, type Tool } from '#core/tool/tool.ts';
import { scaleRangeWords } from '#wire/words/setting.ts';
import type { OpenJob } from './use-job.ts';

type Fit = { readonly tool: Tool; readonly can: number; readonly isOverdue: boolean };

const fitOf = (state: JobState, tool: Tool, today: string): Fit => ({
  tool,
  can: state.fasteners.filter(
    ({ target }) =>
      toolSetting(target, tool.scale, state.plan.schools.betweenGraduations, tool.scale.minimum).ok,
  ).length,
  isOverdue: isOverdue(tool, today),
});

const fitWords = ({ can, isOverdue: overdue, tool }: Fit, total: number): string => {
  const reach =
    can === total
      ? 'reaches every fastener'
      : can === 0
        ? 'reaches none of them'
        : `reaches ${can} of ${total}`;
  return overdue
    ? `${reach}; calibration was due ${tool.calibrationDueOn}`
    : `${reach}; calibrated until ${tool.calibrationDueOn}`;
};

/** Which tool is in the hand for this job: the chosen one, or the crib with what each reaches. */
export const ToolChoice = ({
  job,
  tools,
  today,
}: {
  readonly job: OpenJob;
  readonly tools: readonly Tool[];
  readonly today: string;
}) => {
  const { state } = job;
  const [isChoosing, setChoosing] = useState(false);
  const total = state.fasteners.length;
  const fits = tools
    .map((tool) => fitOf(state, tool, today))
    .sort((a, b) => Number(a.isOverdue) - Number(b.isOverdue) || b.can - a.can);
  const chosen = state.tool;
  const isSigned = state.signatures.length > 0;
  if (chosen && !isChoosing)
    return (
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <div className="min-w-0 flex-1">
          <strong className="text-l">{chosen.code}</strong> · {scaleRangeWords(chosen.scale)}
          <div className="text-s text-faint">
            serial {chosen.serial} · class {chosen.toolClass.replace('-', ' ')}, ±{chosen.limitPercent} % of
            reading · {fitWords(fitOf(state, chosen, today), total)}
          </div>
        </div>
        {!isSigned && (
          <button
            type="button"
            className="act-quiet"
            disabled={!job.isReady}
            onClick={() => setChoosing(true)}
          >
            Take another tool
          </button>
        )}
      </div>
    );
  if (tools.length === 0)
    return (
      <p>
        The crib is empty. <a href="/tools">Add the tool you have in your hand</a>, then come back.
      </p>
    );
  return (
    <ul className="grid gap-2">
      {fits.map((fit) => (
        <li
          key={fit.tool.id}
          className="flex flex-wrap items-center gap-3 rounded-md border border-rule px-3 py-2"
        >
          <div className="min-w-0 flex-1">
            <strong>{fit.tool.code}</strong> · {scaleRangeWords(fit.tool.scale)}
            <div className={`text-s ${fit.isOverdue || fit.can === 0 ? 'text-low' : 'text-faint'}`}>
              {fitWords(fit, total)}
            </div>
          </div>
          <button
            type="button"
            className={fit === fits[0] && fit.can > 0 && !fit.isOverdue ? 'act' : 'act-quiet'}
            disabled={fit.can === 0 || !job.isReady}
            onClick={() => {
              if (job.happen({ kind: 'tool-chosen', body: { tool: fit.tool } }).ok) setChoosing(false);
            }}
          >
            Take {fit.tool.code}
          </button>
        </li>
      ))}
    </ul>
  );
};
