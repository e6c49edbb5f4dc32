import { fromNewtonMetres, newtonMetres, unitSymbol } from '#core/quantity/unit.ts';
import type { Tool } from '#core/tool/tool.ts';
import type { Trace } from '#core/trace/trace.ts';
import { turnTolerance } from '#core/turn/turn.ts';
import type { NextAction } from '#core/view/next-action.ts';
import { Tape } from '../../shared/Tape.tsx';

type Props = {
  readonly live: Trace;
  readonly tool: Tool;
  readonly action: NextAction;
  /** Acceptance at the tool, in its unit; null where no torque is due. */
  readonly limits: { readonly low: number; readonly high: number } | null;
};

const toneOf = (now: number, { low, high }: NonNullable<Props['limits']>): 'high' | 'in' | 'none' => {
  if (now > high) return 'high';
  return now >= low ? 'in' : 'none';
};

/** Between the finest ticks of a tape of degrees. */
const DEGREES = 1;

/** What the tool in hand feels just now, under the hairline: its torque, or how far it has turned where an angle is due. */
export const LiveReading = ({ live, tool, action, limits }: Props) => {
  const { unit, graduation } = tool.scale;
  const isTurn = action.kind === 'turn' && live.angles !== null;
  const tolerance = turnTolerance('live');
  const band = isTurn
    ? { low: action.due.degrees - tolerance, high: action.due.degrees + tolerance }
    : limits;
  if (!band) return null;
  const now = isTurn
    ? (live.angles?.at(-1) ?? 0) - (live.angles?.[0] ?? 0)
    : fromNewtonMetres(newtonMetres(live.torques.at(-1) ?? 0), unit);
  return (
    <div className="mx-auto w-full max-w-[404px]" data-testid="live">
      <Tape
        value={now}
        {...band}
        unit={isTurn ? '°' : unitSymbol(unit)}
        graduation={isTurn ? DEGREES : graduation}
        caption={now.toFixed(isTurn ? 0 : 2)}
        tone={toneOf(now, band)}
        height={46}
      />
    </div>
  );
};
