import { useState } from 'react';
import { call } from '#client/api.ts';
import { unitSymbol } from '#core/quantity/unit.ts';
import { NEWEST_RULES } from '#core/rules/rules-by-number.ts';
import type { Conditions } from '#core/spec/requirement/conditions.ts';
import type { Target } from '#core/target/target-and-acceptance.ts';
import type { ToolFit } from '#core/tool/choose-tool.ts';
import type { Drive } from '#core/tool/drive.ts';
import { rankedTools } from '#core/tool/ranked-tools.ts';
import type { Tool } from '#core/tool/tool.ts';
import { OPERATIONS } from '#wire/api.ts';
import type { Site } from '#wire/site.ts';
import type { CribTool } from '#wire/tool.ts';
import { scaleWords } from '#wire/words/setting.ts';
import { TOOL_KIND_WORDS, toolOutWords } from '#wire/words/tool.ts';
import { probabilityWords } from '#wire/words/verdict.ts';
import { useAsked } from '../kit/answer/use-answer.ts';
import { ProblemNotice } from '../kit/ProblemNotice.tsx';

type Props = {
  readonly target: Pick<Target, 'target' | 'low' | 'high'>;
  readonly conditions: Pick<Conditions, 'thread' | 'tools'>;
  readonly site: Site;
};

/** A hex head takes any drive but a blade: where no fastener is named, its drive rules nothing else out. */
const ANY_HEAD: Drive = 'hex-head';

const FitLine = ({ fit }: { readonly fit: ToolFit }) => (
  <li className="border-b border-rule py-1.5 last:border-b-0">
    <a href={`/tools/${fit.tool.id}`} className="font-bold">
      {fit.tool.code}
    </a>{' '}
    {TOOL_KIND_WORDS[fit.tool.kind]}: set to{' '}
    <strong>
      {fit.setting.text} {unitSymbol(fit.tool.scale.unit)}
    </strong>
    <span className="block text-s text-faint">
      {fit.tool.scale.form === 'barrel' && `${scaleWords(fit.setting)}; `}
      {probabilityWords(fit.probability)} sure to land inside
    </span>
  </li>
);

const Ranking = ({ tools, target, conditions, site }: Props & { readonly tools: readonly CribTool[] }) => {
  const demand = { target, ...conditions, drive: ANY_HEAD };
  const candidates = tools.map(({ tool, facts, blocks }) => ({
    tool: tool as Tool,
    facts,
    blocks,
    standsAt: null,
  }));
  const { fits, unsure, out } = rankedTools(candidates, demand, site.schools, NEWEST_RULES);
  return (
    <div className="grid gap-2" data-testid="which-tool">
      {fits.length === 0 && (
        <p className="rounded-md border-2 border-low p-3">
          <strong>No tool of the crib is accurate enough for this.</strong>
        </p>
      )}
      <ul>
        {fits.map((fit) => (
          <FitLine key={fit.tool.id} fit={fit} />
        ))}
      </ul>
      {unsure.length > 0 && (
        <details>
          <summary className="min-h-11 cursor-pointer py-2 text-layout underline underline-offset-3">
            {unsure.length} could be set for it, but not accurately enough for this site
          </summary>
          <ul>
            {unsure.map((fit) => (
              <FitLine key={fit.tool.id} fit={fit} />
            ))}
          </ul>
        </details>
      )}
      <details>
        <summary className="min-h-11 cursor-pointer py-2 text-layout underline underline-offset-3">
          why {out.length} others are out
        </summary>
        <ul className="text-s">
          {out.map(({ tool, because }) => (
            <li key={tool.id}>
              <strong>{tool.code}</strong> {toolOutWords(because)}
            </li>
          ))}
        </ul>
      </details>
    </div>
  );
};

/** From a value to the tools of the crib that can do it today, the surest first, each with its setting. */
export const WhichTool = (props: Props) => {
  const [isOpen, setOpen] = useState(false);
  const { value, problem } = useAsked(['tools'], () => call(OPERATIONS.listTools, undefined), {
    isWanted: isOpen,
  });
  return (
    <section className="grid gap-2">
      <button
        type="button"
        className="act-quiet justify-self-start"
        aria-expanded={isOpen}
        onClick={() => setOpen(!isOpen)}
      >
        Which tool?
      </button>
      <ProblemNotice problem={problem} />
      {isOpen && value && <Ranking {...props} tools={value as readonly CribTool[]} />}
    </section>
  );
};
