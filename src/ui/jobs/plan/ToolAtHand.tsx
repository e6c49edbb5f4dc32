import type { TakenTool } from '#core/view/bench.ts';
import { dayWords } from '#wire/site-time.ts';
import { scaleRangeWords } from '#wire/words/setting.ts';
import { toolOutWords } from '#wire/words/tool.ts';

/** A tool at hand for a group: what it is, what is on it, and what stands against it. */
export const ToolAtHand = ({ taken }: { readonly taken: TakenTool }) => {
  const { tool, adapters, override, foundSince } = taken;
  return (
    <div className="min-w-0 flex-1 basis-64">
      <strong className="text-l">{tool.code}</strong> · {scaleRangeWords(tool.scale)}
      {adapters.map(({ adapter, angleDegrees }) => (
        <span key={adapter.id}>
          {' '}
          · {adapter.code} at {angleDegrees}°
        </span>
      ))}
      <div className="text-s text-faint">
        serial {tool.serial} · class {tool.toolClass.replace('-', ' ')}, ±{tool.limitPercent} % of{' '}
        {tool.limitOf === 'reading' ? 'reading' : 'full scale'} · calibrated until{' '}
        <span className="whitespace-nowrap">{dayWords(tool.calibrationDueOn)}</span>
      </div>
      {override && (
        <strong className="text-high">
          {toolOutWords(override.blocks)}: {override.by} let it be used, {override.why}
        </strong>
      )}
      {foundSince.length > 0 && (
        <strong className="text-high">
          {toolOutWords(foundSince)}, found since it was taken: what is pulled with it has no verdict
        </strong>
      )}
    </div>
  );
};
