import { unitSymbol } from '#core/quantity/unit.ts';
import type { Tool } from '#core/tool/tool.ts';
import type { Session, SessionStage } from './use-session.ts';

type Props = { readonly session: Session; readonly stage: SessionStage; readonly tool: Tool };

/** What the reference said at each point, typed or pasted, in the tool's unit. */
export const SessionReadings = ({ session, stage, tool }: Props) => {
  const { plan, readings } = session;
  const unit = unitSymbol(tool.scale.unit);
  return (
    <div className="grid gap-3">
      {plan.points.map((point, at) => (
        <fieldset key={point} className="m-0 border-0 p-0">
          <legend className="mb-1 p-0">
            Tool at{' '}
            <strong>
              {point} {unit}
            </strong>
            ; the reference said, {unit}
          </legend>
          <div className="grid grid-cols-5 gap-2 sm:grid-cols-10">
            {(readings[stage][at] ?? []).map((text, index) => (
              <input
                // biome-ignore lint/suspicious/noArrayIndexKey: readings have no identity but their place
                key={index}
                className="field px-1.5 text-center font-mono"
                inputMode="decimal"
                aria-label={`Reading ${index + 1} at ${point} ${unit}`}
                value={text}
                maxLength={12}
                onChange={(event) => session.type(stage, at, index, event.target.value)}
                onPaste={(event) => {
                  const pasted = event.clipboardData.getData('text');
                  if (!/[\s;]/.test(pasted.trim())) return;
                  event.preventDefault();
                  session.paste(stage, pasted);
                }}
              />
            ))}
          </div>
        </fieldset>
      ))}
      <p className="text-s text-faint">
        Paste a row or a column of readings into any field; they fill the empty places in order.
      </p>
    </div>
  );
};
