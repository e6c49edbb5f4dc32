import { deviceNow } from '#client/happen.ts';
import type { PlannedGroup } from '#core/job/plan.ts';
import { unitSymbol } from '#core/quantity/unit.ts';
import { needsWarmUp } from '#core/tool/due.ts';
import { isIndicating, isPreset } from '#core/tool/tool.ts';
import type { ToolForGroup } from '#core/view/tools-for-group.ts';
import { scaleWords, turnWords } from '#wire/words/setting.ts';
import { TOOL_KIND_WORDS } from '#wire/words/tool.ts';
import { ScalePicture } from '../../shared/ScalePicture.tsx';
import { canWords } from './tool-choice-words.ts';

type Props = {
  readonly best: ToolForGroup;
  readonly group: PlannedGroup;
  readonly total: number;
  readonly lastUsedAt: string | null;
  readonly mayTake: boolean;
  readonly onTake: () => void;
};

/** The tool that does most of a group, with its first setting and how its scale must look. */
export const BestTool = ({ best, group, total, lastUsedAt, mayTake, onTake }: Props) => {
  const { tool, first } = best;
  if (!first) return null;
  const isSettingTool = !isIndicating(tool) && !isPreset(tool);
  return (
    <div className="grid gap-2 rounded-md border-2 border-layout p-3" data-testid="best-tool">
      <div className="flex flex-wrap items-center justify-between gap-2">
        <div>
          <strong className="text-l">{tool.code}</strong> · {TOOL_KIND_WORDS[tool.kind]}
          <div className="text-s text-faint">{canWords(best, group, total)}</div>
        </div>
        <button type="button" className="act" disabled={!mayTake} onClick={onTake}>
          Take {tool.code}
        </button>
      </div>
      <p>
        {group.kind.passes.length > 1 ? 'At full torque' : 'First setting'}{' '}
        <strong>
          {first.setting.text} {unitSymbol(tool.scale.unit)}
        </strong>
        {tool.scale.form === 'barrel' &&
          `: ${scaleWords(first.setting)}, ${turnWords(tool.scale, first.setting.turns)} from rest`}
      </p>
      {isSettingTool && needsWarmUp(lastUsedAt, deviceNow()) && (
        <p className="font-semibold text-low">
          Unused for a week or more: pull it five times at its maximum first, then come to the setting from
          below.
        </p>
      )}
      <div className="max-w-sm">
        <ScalePicture scale={tool.scale} setting={first.setting.setting} direction="none" />
      </div>
    </div>
  );
};
