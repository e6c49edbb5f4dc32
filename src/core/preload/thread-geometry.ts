import { accepted, type Result, refused } from '../result.ts';
import { readThreadSize, type ThreadRefusal } from '../spec/lookup/thread-size.ts';

/** The size of a thread, in millimetres and square millimetres. */
export type ThreadGeometry = {
  /** One spelling for one thread: `M8`, `1/4-28`. */
  readonly designation: string;
  readonly majorMm: number;
  readonly pitchMm: number;
  readonly pitchDiameterMm: number;
  /** Minor diameter of the nut, which the screw's crests are sheared over. */
  readonly nutMinorMm: number;
  readonly stressAreaMm2: number;
};

export type GeometryRefusal = ThreadRefusal | { readonly code: 'pitch-not-known'; readonly text: string };

// Height of the sharp triangle of a 60° thread, as a share of the pitch: √3/2; what follows are shares of it.
const PITCH_DIAMETER = 0.649519;
const ROOT_DIAMETER = 1.226869;
const NUT_MINOR = 1.082532;
const UNIFIED_STRESS = 0.9743;

/** The geometry of a thread as printed.
 *    d₂ = d − 0.649519·P, d₃ = d − 1.226869·P, Aₛ = π/4·((d₂ + d₃)/2)²; unified: Aₛ = π/4·(d − 0.9743/n)²
 *  Source: ISO 724:1993; ISO 898-1:2013, 9.1.6.1; ASME B1.1, appendix B (from memory).
 *  Refuses: unreadable-thread, pitch-not-known (no coarse pitch goes with the diameter). */
export const threadGeometry = (printed: string): Result<ThreadGeometry, GeometryRefusal> => {
  const size = readThreadSize(printed);
  if (!size.ok) return size;
  const { designation, diameterMillimetres: d, pitchMillimetres: pitch, form } = size.value;
  if (pitch === null || pitch <= 0 || d - ROOT_DIAMETER * pitch <= 0)
    return refused({ code: 'pitch-not-known', text: designation });
  const pitchDiameterMm = d - PITCH_DIAMETER * pitch;
  const stressDiameter =
    form === 'metric' ? (pitchDiameterMm + (d - ROOT_DIAMETER * pitch)) / 2 : d - UNIFIED_STRESS * pitch;
  return accepted({
    designation,
    majorMm: d,
    pitchMm: pitch,
    pitchDiameterMm,
    nutMinorMm: d - NUT_MINOR * pitch,
    stressAreaMm2: (Math.PI / 4) * stressDiameter ** 2,
  });
};

/** The diameter of a round bar of the stress area, in millimetres. */
export const stressDiameterMm = ({ stressAreaMm2 }: Pick<ThreadGeometry, 'stressAreaMm2'>): number =>
  Math.sqrt((4 * stressAreaMm2) / Math.PI);

/** Mean diameter of the bearing face under a hex or socket head, as a multiple of the thread: between a washer face of 1.5 d and a hole of 1.1 d.
 *  Common practice; the screw in hand may be measured instead. */
export const USUAL_BEARING = 1.3;
