import { useState } from 'react';
import {
  type Adapter,
  adapterFactor,
  adapterSensitivity,
  type MountedAdapter,
} from '#core/adapter/adapter.ts';
import type { Schools } from '#core/target/schools.ts';
import type { Tool } from '#core/tool/tool.ts';
import { problemDetails } from '#wire/problems/problem-details.ts';
import { ADAPTER_KIND_WORDS } from '#wire/words/tool.ts';
import { AdapterPicture } from '../shared/AdapterPicture.tsx';
import { ProblemNotice } from '../shared/ProblemNotice.tsx';

type Props = {
  readonly adapters: readonly Adapter[];
  /** The tool it would go on: its lever length makes the difference. */
  readonly tool: Tool | null;
  readonly school: Schools['offsetAdapter'];
  readonly mounted: MountedAdapter | null;
  readonly onMount: (mounted: MountedAdapter | null) => void;
};

const RIGHT_ANGLE = 90;
const ANGLES = [0, 45, RIGHT_ANGLE, 135] as const;

/** An adapter and its angle: at a right angle the setting stays; going another way asks first where the site's school says so. */
export const AdapterChoice = ({ adapters, tool, school, mounted, onMount }: Props) => {
  const [asked, setAsked] = useState<number | null>(null);
  const chain = mounted ? [mounted] : [];
  const factor = adapterFactor(tool?.leverMillimetres ?? null, chain);
  const sensitivity = adapterSensitivity(tool?.leverMillimetres ?? null, chain);
  const turn = (angleDegrees: number): void => {
    if (!mounted) return;
    const mustAsk = school === 'right-angle' && angleDegrees !== RIGHT_ANGLE && asked !== angleDegrees;
    setAsked(mustAsk ? angleDegrees : null);
    if (!mustAsk) onMount({ ...mounted, angleDegrees });
  };
  const hasOffset = (mounted?.adapter.offsetMillimetres ?? 0) > 0;
  return (
    <div className="grid gap-2">
      <label>
        Adapter
        <select
          className="field mt-1"
          name="adapter"
          value={mounted?.adapter.id ?? ''}
          onChange={(event) => {
            const adapter = adapters.find(({ id }) => id === event.target.value);
            setAsked(null);
            onMount(
              adapter ? { adapter, angleDegrees: adapter.offsetMillimetres > 0 ? RIGHT_ANGLE : 0 } : null,
            );
          }}
        >
          <option value="">none, straight on the fastener</option>
          {adapters.map((adapter) => (
            <option key={adapter.id} value={adapter.id}>
              {adapter.code}, {ADAPTER_KIND_WORDS[adapter.kind]}
              {adapter.offsetMillimetres > 0 && `, ${adapter.offsetMillimetres} mm off`}
            </option>
          ))}
        </select>
      </label>
      {mounted && hasOffset && (
        <>
          <div className="flex flex-wrap items-center gap-2">
            {ANGLES.map((angle) => (
              <button
                key={angle}
                type="button"
                aria-pressed={mounted.angleDegrees === angle}
                className="act-quiet aria-pressed:border-layout aria-pressed:font-bold"
                onClick={() => turn(angle)}
              >
                {angle}°
              </button>
            ))}
            <input
              className="field w-24 font-mono"
              type="number"
              aria-label="Angle to the tool’s axis, degrees"
              min={-180}
              max={180}
              value={mounted.angleDegrees}
              onChange={(event) =>
                Number.isFinite(event.target.valueAsNumber) && turn(event.target.valueAsNumber)
              }
            />
          </div>
          {asked !== null && (
            <div className="grid gap-2 rounded-md border-2 border-unsure p-3">
              <p>
                This site puts an offset on at 90°, where the setting stays. At {asked}° the tool must be set
                to another value than the fastener gets. Is it really {asked}°?
              </p>
              <div className="flex flex-wrap gap-2">
                <button type="button" className="act-quiet" onClick={() => turn(asked)}>
                  It is {asked}°: correct the setting
                </button>
                <button type="button" className="act-quiet" onClick={() => setAsked(null)}>
                  Leave it at {mounted.angleDegrees}°
                </button>
              </div>
            </div>
          )}
          {tool?.leverMillimetres && (
            <div className="max-w-md">
              <AdapterPicture leverMillimetres={tool.leverMillimetres} chain={chain} />
            </div>
          )}
          {factor.ok ? (
            <p>
              The fastener gets <strong>{factor.value.toFixed(3)}</strong> of what {tool?.code ?? 'the tool'}{' '}
              says
              {factor.value === 1 && ', the same'}.
              {sensitivity.ok && (
                <span className="text-s text-faint">
                  {' '}
                  10° off costs up to {sensitivity.value.tenDegreesPercent.toFixed(1)} %, the hand 10 mm off{' '}
                  {sensitivity.value.tenMillimetresPercent.toFixed(1)} %.
                </span>
              )}
            </p>
          ) : (
            tool && <ProblemNotice problem={problemDetails(factor.refusal)} />
          )}
        </>
      )}
      {mounted?.adapter.kind === 'extension' && (
        <p className="text-s text-faint">
          In line it changes nothing at rest, but it winds up: pull slowly, and never use it for an angle.
        </p>
      )}
    </div>
  );
};
