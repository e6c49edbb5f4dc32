import type { PropertyClass } from '../spec/screw/property-class.ts';
import { NUT_MATERIALS, type NutMaterial, TENSILE_MPA } from './tensile-strength.ts';
import type { ThreadGeometry } from './thread-geometry.ts';

/** How an engaged thread would give way. Forces in newtons, lengths in millimetres. */
export type Stripping = {
  /** What breaks the screw at its stress area. */
  readonly screwBreaksN: number;
  readonly screwThreadStripsN: number;
  readonly nutThreadStripsN: number;
  readonly weakest: 'screw' | 'screw-thread' | 'nut-thread';
  /** Engagement from which on the screw breaks before either thread strips. */
  readonly leastEngagementMm: number;
};

/** Shear strength as a share of tensile strength. Source: FED-STD-H28/2B, von Mises 1/√3 rounded up to the usual 0.6 (from memory). */
const SHEAR_SHARE = 0.6;
const HALF_FLANK = Math.tan(Math.PI / 6);

/** Shear areas of a millimetre of engagement, in square millimetres: of the screw's thread at the nut's minor diameter, of the nut's at the
 *  screw's major one.
 *    A_screw = π·D₁/P·[P/2 + tan 30°·(d₂ − D₁)], A_nut = π·d/P·[P/2 + tan 30°·(d − D₂)]
 *  Source: FED-STD-H28/2B (from memory). Departures: basic sizes, without tolerances. */
export const shearAreasPerMm = ({
  majorMm,
  pitchMm,
  pitchDiameterMm,
  nutMinorMm,
}: ThreadGeometry): { readonly screw: number; readonly nut: number } => ({
  screw: ((Math.PI * nutMinorMm) / pitchMm) * (pitchMm / 2 + HALF_FLANK * (pitchDiameterMm - nutMinorMm)),
  nut: ((Math.PI * majorMm) / pitchMm) * (pitchMm / 2 + HALF_FLANK * (majorMm - pitchDiameterMm)),
});

/** What gives way first when a screw is pulled to destruction in a nut thread of some length of engagement, and the least engagement for the screw
 *  itself to break first. */
export const stripping = (
  thread: ThreadGeometry,
  screwClass: PropertyClass,
  nut: NutMaterial,
  engagementMm: number,
): Stripping => {
  const areas = shearAreasPerMm(thread);
  const [screwMpa, nutMpa] = [TENSILE_MPA[screwClass], NUT_MATERIALS[nut]];
  const screwBreaksN = thread.stressAreaMm2 * screwMpa;
  const screwPerMm = areas.screw * SHEAR_SHARE * screwMpa;
  const nutPerMm = areas.nut * SHEAR_SHARE * nutMpa;
  const [screwThreadStripsN, nutThreadStripsN] = [screwPerMm * engagementMm, nutPerMm * engagementMm];
  const least = Math.min(screwBreaksN, screwThreadStripsN, nutThreadStripsN);
  const weakest =
    least === screwBreaksN ? 'screw' : least === nutThreadStripsN ? 'nut-thread' : 'screw-thread';
  return {
    screwBreaksN,
    screwThreadStripsN,
    nutThreadStripsN,
    weakest,
    leastEngagementMm: screwBreaksN / Math.min(screwPerMm, nutPerMm),
  };
};
