import { useState } from 'react';
import { deviceNow } from '#client/happen.ts';
import { type Adapter, adapterFactor, type MountedAdapter } from '#core/adapter/adapter.ts';
import { needsWarmUp } from '#core/calibration/interval.ts';
import { may } from '#core/people/may.ts';
import type { Person } from '#core/people/person.ts';
import { isIndicating, isPreset, type Tool } from '#core/tool/tool.ts';
import { type ToolForJob, toolsForJob } from '#core/tool/tools-for-job.ts';
import { displayDigits } from '#core/torque/display.ts';
import { unitSymbol } from '#core/torque/unit.ts';
import type { CribTool } from '#wire/tool.ts';
import { scaleRangeWords, scaleWords, turnWords } from '#wire/words/setting.ts';
import { TOOL_KIND_WORDS, toolOutWords } from '#wire/words/tool.ts';
import { probabilityWords } from '#wire/words/verdict.ts';
import { ScalePicture } from '../shared/ScalePicture.tsx';
import { WhyDialog } from '../shared/WhyDialog.tsx';
import { AdapterChoice } from './AdapterChoice.tsx';
import type { OpenJob } from './use-job.ts';

type Props = {
  readonly job: OpenJob;
  readonly tools: readonly CribTool[];
  readonly adapters: readonly Adapter[];
  readonly person: Person;
};

const canWords = ({ can, worst }: ToolForJob, total: number): string => {
  const reach = can === total ? 'does every fastener' : `does ${can} of ${total}`;
  return worst ? `${reach}, ${probabilityWords(worst.probability)} inside acceptance` : reach;
};

const isSettingTool = (tool: ToolForJob['tool']): boolean => !isIndicating(tool) && !isPreset(tool);

const short = (value: number): string => displayDigits(value, { sourceDigits: 2, graduation: null });

/** Which tool to take for this job and how to set it: the best one first with its scale, the others in order, and why the rest are out. */
export const ToolChoice = ({ job, tools, adapters, person }: Props) => {
  const { state } = job;
  const [isChoosing, setChoosing] = useState(false);
  const [chain, setChain] = useState<readonly MountedAdapter[]>([]);
  const [overriding, setOverriding] = useState<CribTool | null>(null);
  const total = state.fasteners.length;
  const [first] = chain;
  const factorOf = (tool: Tool): number => {
    const factor = adapterFactor(tool.leverMillimetres, chain);
    return factor.ok ? factor.value : 0;
  };
  const fitting = tools.filter(
    ({ tool }) => !first || (tool.drive === first.adapter.driveIn && factorOf(tool) > 0),
  );
  const { tools: ranked, toBuy } = toolsForJob(
    state,
    fitting.map((each) => ({ ...each, standsAt: null })),
    factorOf,
  );
  const [best, ...others] = ranked.filter(({ can }) => can > 0);
  const out = ranked.filter(({ can }) => can === 0);
  const isSigned = state.signatures.length > 0;
  const take = (code: string, override: string | null): void => {
    const known = tools.find(({ tool }) => tool.code === code);
    if (!known) return;
    if (known.blocks.length > 0 && override === null) {
      setOverriding(known);
      return;
    }
    const taken = job.happen({
      kind: 'tool-chosen',
      body: { tool: known.tool, adapters: chain, blocks: known.blocks, override },
    });
    setOverriding(null);
    if (taken.ok) setChoosing(false);
  };
  const { foundSince = [] } = state.takenTools.get(state.tool?.id ?? '') ?? {};
  if (state.tool && !isChoosing)
    return (
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <div className="min-w-0 flex-1 basis-64">
          <strong className="text-l">{state.tool.code}</strong> · {scaleRangeWords(state.tool.scale)}
          {state.adapters.map(({ adapter, angleDegrees }) => (
            <span key={adapter.id}>
              {' '}
              · {adapter.code} at {angleDegrees}°
            </span>
          ))}
          <div className="text-s text-faint">
            serial {state.tool.serial} · class {state.tool.toolClass.replace('-', ' ')}, ±
            {state.tool.limitPercent} % of {state.tool.limitOf === 'reading' ? 'reading' : 'full scale'} ·
            calibrated until <span className="whitespace-nowrap">{state.tool.calibrationDueOn}</span>
          </div>
          {state.override && (
            <strong className="text-high">
              {toolOutWords(state.override.blocks)}: {state.override.by} let it be used, {state.override.why}
            </strong>
          )}
          {foundSince.length > 0 && (
            <strong className="text-high">
              {toolOutWords(foundSince)}, found since it was taken: what is pulled with it has no verdict
            </strong>
          )}
        </div>
        {!isSigned && (
          <button
            type="button"
            className={foundSince.length > 0 ? 'act' : 'act-quiet'}
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
    <div className="grid gap-3">
      {best?.first && (
        <div className="grid gap-2 rounded-md border-2 border-layout p-3" data-testid="best-tool">
          <div className="flex flex-wrap items-center justify-between gap-2">
            <div>
              <strong className="text-l">{best.tool.code}</strong> · {TOOL_KIND_WORDS[best.tool.kind]}
              <div className="text-s text-faint">{canWords(best, total)}</div>
            </div>
            <button
              type="button"
              className="act"
              disabled={!job.isReady}
              onClick={() => take(best.tool.code, null)}
            >
              Take {best.tool.code}
            </button>
          </div>
          <p>
            First setting{' '}
            <strong>
              {best.first.setting.text} {unitSymbol(best.tool.scale.unit)}
            </strong>
            {best.tool.scale.form === 'barrel' &&
              `: ${scaleWords(best.first.setting)}, ${turnWords(best.tool.scale, best.first.setting.turns)} from rest`}
          </p>
          {isSettingTool(best.tool) &&
            needsWarmUp(
              tools.find(({ tool }) => tool.id === best.tool.id)?.facts.lastUsedAt ?? null,
              deviceNow(),
            ) && (
              <p className="font-semibold text-low">
                Unused for a week or more: pull it five times at its maximum first, then come to the setting
                from below.
              </p>
            )}
          <div className="max-w-sm">
            <ScalePicture scale={best.tool.scale} setting={best.first.setting.setting} direction="none" />
          </div>
        </div>
      )}
      <AdapterChoice
        adapters={adapters}
        tool={best?.tool ?? ranked[0]?.tool ?? null}
        school={state.plan.schools.offsetAdapter}
        chain={chain}
        onChain={setChain}
      />
      {!best && (
        <p className="rounded-md border-2 border-low p-3" data-testid="no-tool">
          <strong>No tool you have can do this{first ? ' through these adapters' : ''}.</strong>
          {toBuy &&
            ` One would: ${short(toBuy.fromNewtonMetres)} to ${short(toBuy.toNewtonMetres)} N·m, within ±${short(toBuy.deviationPercent)} % of reading, for ${toBuy.thread}-hand threads${toBuy.tools.kind === 'only' ? `, ${toBuy.tools.tools.map((kind) => (TOOL_KIND_WORDS as Readonly<Record<string, string>>)[kind] ?? kind).join(' or ')}` : ''}.`}
        </p>
      )}
      <ul className="grid gap-1">
        {others.map((fit) => (
          <li key={fit.tool.id} className="flex flex-wrap items-center gap-3 border-b border-rule py-1">
            <div className="min-w-0 flex-1">
              <strong>{fit.tool.code}</strong> · {TOOL_KIND_WORDS[fit.tool.kind]}
              <div className="text-s text-faint">{canWords(fit, total)}</div>
            </div>
            <button
              type="button"
              className="act-quiet"
              disabled={!job.isReady}
              onClick={() => take(fit.tool.code, null)}
            >
              Take {fit.tool.code}
            </button>
          </li>
        ))}
      </ul>
      {out.length > 0 && (
        <details>
          <summary className="min-h-11 cursor-pointer py-2 text-layout underline underline-offset-3">
            why {out.length} others are out
          </summary>
          <ul className="grid gap-1" data-testid="tools-out">
            {out.map(({ tool, because }) => {
              const known = tools.find((each) => each.tool.id === tool.id);
              const isOnlyBlocked =
                known !== undefined &&
                because.every((reason) => (known.blocks as readonly string[]).includes(reason));
              return (
                <li
                  key={tool.id}
                  className="flex flex-wrap items-center justify-between gap-2 border-b border-rule py-1"
                >
                  <span>
                    <strong>{tool.code}</strong>: {toolOutWords(because)}
                  </span>
                  {isOnlyBlocked && may(person, 'override-tool') && (
                    <button
                      type="button"
                      className="act-quiet"
                      disabled={!job.isReady}
                      onClick={() => take(tool.code, null)}
                    >
                      Use it all the same …
                    </button>
                  )}
                </li>
              );
            })}
          </ul>
        </details>
      )}
      {overriding && (
        <WhyDialog
          title={`Use ${overriding.tool.code} all the same`}
          explanation={`${toolOutWords(overriding.blocks)}. The certificate shows it, with your name and this reason.`}
          action="Use it on this job"
          usual={['checked against another tool today', 'no other tool reaches']}
          onClose={() => setOverriding(null)}
          onDone={(why) => take(overriding.tool.code, why)}
        />
      )}
    </div>
  );
};
