import { settingInNewtonMetres } from '#core/tool/scale.ts';
import type { Tool } from '#core/tool/tool.ts';

const LOWEST = 0.02;
const HIGHEST = 300;
const DECADES = [0.1, 1, 10, 100];

const share = (torque: number): number =>
  (Math.log(Math.min(HIGHEST, Math.max(LOWEST, torque)) / LOWEST) / Math.log(HIGHEST / LOWEST)) * 100;

/** Where a tool's range lies on one ruler for the whole crib, from 0.02 to 300 N·m; a preset tool is one mark. The part a narrowed tool is kept
 *  for is solid, the rest hatched thin. */
export const RangeBar = ({ tool }: { readonly tool: Tool }) => {
  const [low, high] = [
    settingInNewtonMetres(tool.scale, tool.scale.minimum),
    settingInNewtonMetres(tool.scale, tool.scale.maximum),
  ];
  const usable = tool.calibration?.usable ?? { lowNewtonMetres: low, highNewtonMetres: high };
  return (
    <svg viewBox="0 0 100 12" preserveAspectRatio="none" className="block h-6 w-full" aria-hidden="true">
      {DECADES.map((decade) => (
        <path key={decade} d={`M${share(decade)},0 V12`} stroke="var(--c-rule)" strokeWidth="0.6" />
      ))}
      <path
        d={`M${share(low)},6 H${Math.max(share(low) + 0.8, share(high))}`}
        stroke="var(--c-metal-edge)"
        strokeWidth="2"
      />
      <path
        d={`M${share(usable.lowNewtonMetres)},6 H${Math.max(share(usable.lowNewtonMetres) + 0.8, share(usable.highNewtonMetres))}`}
        stroke="var(--c-layout)"
        strokeWidth="6"
      />
    </svg>
  );
};
