import Calculator from 'lucide-react/icons/calculator';
import { useState } from 'react';
import { NUMBER_MAX_LENGTH } from '#core/quantity/read-number.ts';
import { unitSymbol } from '#core/quantity/unit.ts';
import type { Tool } from '#core/tool/tool.ts';
import { NumberPad } from '../kit/NumberPad.tsx';
import { usePad } from '../kit/use-pad.ts';
import type { Session, SessionStage } from './use-session.ts';

type Props = { readonly session: Session; readonly stage: SessionStage; readonly tool: Tool };

type Place = { readonly point: number; readonly index: number };

/** What the reference said at each point, typed by keys or by the pad, or pasted, in the tool's unit. */
export const SessionReadings = ({ session, stage, tool }: Props) => {
  const { plan, readings } = session;
  const unit = unitSymbol(tool.scale.unit);
  const { isOpen, toggle } = usePad(true);
  const [chosen, setChosen] = useState<Place | null>(null);
  // What the pad writes into: the place that was tapped, else the next empty one.
  const here = chosen ?? session.next(stage);
  const text = here ? (readings[stage][here.point]?.[here.index] ?? '') : '';
  const put = (next: string): void => {
    if (!here) return;
    setChosen(here);
    session.type(stage, here.point, here.index, next.slice(0, NUMBER_MAX_LENGTH));
  };
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
            {(readings[stage][at] ?? []).map((reading, index) => (
              <input
                // biome-ignore lint/suspicious/noArrayIndexKey: readings have no identity but their place
                key={index}
                className={`field px-1.5 text-center font-mono ${isOpen && here?.point === at && here.index === index ? 'border-2 border-layout' : ''}`}
                inputMode={isOpen ? 'none' : 'decimal'}
                aria-label={`Reading ${index + 1} at ${point} ${unit}`}
                value={reading}
                maxLength={NUMBER_MAX_LENGTH}
                onFocus={() => setChosen({ point: at, index })}
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
          {isOpen && here?.point === at && (
            <div className="mt-2 max-w-sm">
              <p>
                Reading {here.index + 1} at {point} {unit}: <strong className="text-l">{text || '…'}</strong>
              </p>
              <NumberPad
                unit={unit}
                onDigit={(digit) => put(text + digit)}
                onErase={() => put(text.slice(0, -1))}
              >
                <button
                  type="button"
                  className="act col-span-3 min-h-14 text-l"
                  disabled={text === ''}
                  onClick={() => setChosen(null)}
                >
                  Next reading
                </button>
              </NumberPad>
            </div>
          )}
        </fieldset>
      ))}
      <div className="flex flex-wrap items-center gap-3">
        <button type="button" className="act-quiet min-h-14" aria-pressed={isOpen} onClick={toggle}>
          <Calculator size={20} aria-hidden="true" /> Pad
        </button>
        <p className="flex-1 text-s text-faint">
          Paste a row or a column of readings into any field; they fill the empty places in order.
        </p>
      </div>
    </div>
  );
};
