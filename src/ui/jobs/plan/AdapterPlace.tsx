import { useState } from 'react';
import type { Schools } from '#core/target/schools.ts';
import type { Adapter, MountedAdapter } from '#core/tool/adapter.ts';
import { ADAPTER_KIND_WORDS } from '#wire/words/tool.ts';
import { Tick } from '../../kit/Tick.tsx';

type Props = {
  readonly label: string;
  readonly none: string;
  readonly adapters: readonly Adapter[];
  readonly school: Schools['offsetAdapter'];
  readonly mounted: MountedAdapter | null;
  /** An offset adapter that was chosen, and of which nobody has said at which angle it stands. */
  readonly pending: Adapter | null;
  readonly onPending: (adapter: Adapter | null) => void;
  readonly onMount: (mounted: MountedAdapter | null) => void;
};

const RIGHT_ANGLE = 90;
const ANGLES = [0, 45, RIGHT_ANGLE, 135] as const;

const heldAt = ({ adapter, angleDegrees }: MountedAdapter, isAngleHeld: boolean): MountedAdapter =>
  isAngleHeld ? { adapter, angleDegrees, isAngleHeld } : { adapter, angleDegrees };

/** One adapter of a chain and its angle, which is asked and never taken for granted: at a right angle the setting stays; going another way is asked again where
 *  the site's school says so. */
export const AdapterPlace = ({
  label,
  none,
  adapters,
  school,
  mounted,
  pending,
  onPending,
  onMount,
}: Props) => {
  const [asked, setAsked] = useState<number | null>(null);
  const turn = (angleDegrees: number): void => {
    const adapter = pending ?? mounted?.adapter;
    if (!adapter) return;
    const mustAsk = school === 'right-angle' && angleDegrees !== RIGHT_ANGLE && asked !== angleDegrees;
    setAsked(mustAsk ? angleDegrees : null);
    if (mustAsk) return;
    onPending(null);
    onMount(pending || !mounted ? { adapter, angleDegrees } : { ...mounted, angleDegrees });
  };
  const choose = (id: string): void => {
    const adapter = adapters.find((each) => each.id === id) ?? null;
    const isAskedFor = adapter !== null && adapter.offsetMillimetres > 0;
    setAsked(null);
    onPending(isAskedFor ? adapter : null);
    onMount(adapter && !isAskedFor ? { adapter, angleDegrees: 0 } : null);
  };
  const shown = pending ?? mounted?.adapter ?? null;
  return (
    <>
      <label>
        {label}
        <select
          className="field mt-1"
          name="adapter"
          value={shown?.id ?? ''}
          onChange={(event) => choose(event.target.value)}
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
      {shown && shown.offsetMillimetres > 0 && (
        <fieldset className={`grid gap-2 ${pending ? 'rounded-md border-2 border-unsure p-3' : ''}`}>
          <legend className={pending ? 'px-1 font-bold' : 'sr-only'}>
            At which angle to the tool does {shown.code} stand?
          </legend>
          <div className="flex flex-wrap items-center gap-2">
            {ANGLES.map((angle) => (
              <button
                key={angle}
                type="button"
                aria-pressed={!pending && mounted?.angleDegrees === angle}
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
              placeholder="other °"
              min={-180}
              max={180}
              value={pending ? '' : (mounted?.angleDegrees ?? '')}
              onChange={(event) =>
                Number.isFinite(event.target.valueAsNumber) && turn(event.target.valueAsNumber)
              }
            />
          </div>
          {mounted && !pending && (
            <Tick isOn={mounted.isAngleHeld === true} onChange={(isOn) => onMount(heldAt(mounted, isOn))}>
              <span>
                a stop holds this angle
                {!mounted.isAngleHeld && (
                  <span className="text-s text-faint">; by eye it is good to 10°</span>
                )}
              </span>
            </Tick>
          )}
        </fieldset>
      )}
      {asked !== null && (
        <div className="grid gap-2 rounded-md border-2 border-unsure p-3">
          <p>
            This site mounts an offset at 90°, where the setting stays the same. At {asked}° the tool must be
            set to another value than the fastener gets. Is it really {asked}°?
          </p>
          <div className="flex flex-wrap gap-2">
            <button type="button" className="act-quiet" onClick={() => turn(asked)}>
              It is {asked}°: correct the setting
            </button>
            <button type="button" className="act-quiet" onClick={() => setAsked(null)}>
              {mounted && !pending ? `Leave it at ${mounted.angleDegrees}°` : 'Another angle'}
            </button>
          </div>
        </div>
      )}
    </>
  );
};
