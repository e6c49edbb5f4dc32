import { useState } from 'react';
import type { Schools } from '#core/target/schools.ts';
import type { Adapter, MountedAdapter } from '#core/tool/adapter.ts';
import { ADAPTER_KIND_WORDS } from '#wire/words/tool.ts';

type Props = {
  readonly label: string;
  readonly none: string;
  readonly adapters: readonly Adapter[];
  readonly school: Schools['offsetAdapter'];
  readonly mounted: MountedAdapter | null;
  readonly onMount: (mounted: MountedAdapter | null) => void;
};

const RIGHT_ANGLE = 90;
const ANGLES = [0, 45, RIGHT_ANGLE, 135] as const;

const heldAt = ({ adapter, angleDegrees }: MountedAdapter, isAngleHeld: boolean): MountedAdapter =>
  isAngleHeld ? { adapter, angleDegrees, isAngleHeld } : { adapter, angleDegrees };

/** One adapter of a chain and its angle: at a right angle the setting stays; going another way asks first where the site's school says so. */
export const AdapterPlace = ({ label, none, adapters, school, mounted, onMount }: Props) => {
  const [asked, setAsked] = useState<number | null>(null);
  const turn = (angleDegrees: number): void => {
    if (!mounted) return;
    const mustAsk = school === 'right-angle' && angleDegrees !== RIGHT_ANGLE && asked !== angleDegrees;
    setAsked(mustAsk ? angleDegrees : null);
    if (!mustAsk) onMount({ ...mounted, angleDegrees });
  };
  const hasOffset = (mounted?.adapter.offsetMillimetres ?? 0) > 0;
  return (
    <>
      <label>
        {label}
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
          <option value="">{none}</option>
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
          <label className="flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              className="size-5 accent-layout"
              checked={mounted.isAngleHeld === true}
              onChange={(event) => onMount(heldAt(mounted, event.target.checked))}
            />
            <span>
              a stop holds this angle
              {!mounted.isAngleHeld && <span className="text-s text-faint">; by eye it is good to 10°</span>}
            </span>
          </label>
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
        </>
      )}
    </>
  );
};
