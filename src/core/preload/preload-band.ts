import { type Band, bandOf, scatterer } from '../quantity/scatter.ts';
import { PROOF_MPA, type PropertyClass } from '../spec/screw/property-class.ts';
import { NUT_FACTORS, type Surface } from './nut-factor.ts';
import { screwStressMpa } from './screw-stress.ts';
import { type ThreadGeometry, USUAL_BEARING } from './thread-geometry.ts';
import { frictionOfNutFactor, type TorqueParts, torqueParts, torquePerNewton } from './torque-shares.ts';

/** What is known of a screw and how it is pulled. */
export type PreloadAsk = {
  readonly thread: ThreadGeometry;
  readonly surface: Surface;
  readonly torqueNm: number;
  /** Standard deviation of the torque, as a share of it. */
  readonly toolScatter: number;
  /** Null where nobody knows it. */
  readonly propertyClass: PropertyClass | null;
};

/** What a torque makes of a screw. Forces in newtons; shares as ratios. */
export type PreloadBand = {
  /** The force that one in twenty is below, the middle one, and that one in twenty is above. */
  readonly forcesN: Band;
  /** Where the torque goes at the middle nut factor, as shares that make 1. */
  readonly shares: TorqueParts;
  /** Stress at full twist against proof strength, at the low end of friction and at its high end; null where the class is not known. */
  readonly shareOfProof: { readonly atLowFriction: number; readonly atHighFriction: number } | null;
};

/** From this share of proof on, at the low end of friction, a requirement is warned of. Common practice. */
export const PROOF_SHARE_MOST = 0.9;

const RUNS = 20_000;

/** The tension of a torque: by the short form.
 *    F = T/(K·d)
 *  Source: nut factor, common practice. */
export const tensionN = (torqueNm: number, nutFactor: number, majorMm: number): number =>
  torqueNm / ((nutFactor * majorMm) / 1000);

/** The share of its proof strength that a torque takes a screw to, with the twist while it is pulled, at a nut factor; a bare ratio. */
export const stressShare = (
  ask: Pick<PreloadAsk, 'thread' | 'torqueNm'>,
  nutFactor: number,
  propertyClass: PropertyClass,
): number => {
  const { thread, torqueNm } = ask;
  const bearing = USUAL_BEARING * thread.majorMm;
  const parts = torqueParts(thread, frictionOfNutFactor(nutFactor, thread, bearing), bearing);
  return (
    screwStressMpa(tensionN(torqueNm, nutFactor, thread.majorMm), parts, thread) / PROOF_MPA[propertyClass]
  );
};

/** What a torque makes of a screw, as a band over its nut factor, anything in the range of its surface alike, and the scatter of the tool.
 *  Source: Monte Carlo; JCGM 101:2008 for the method. The same seed gives the same band. */
export const preloadBand = (ask: PreloadAsk, seed = 1): PreloadBand => {
  const { thread, surface, torqueNm, toolScatter, propertyClass } = ask;
  const [low, high] = NUT_FACTORS[surface];
  const { even, fillNormal } = scatterer(seed);
  const ofTool = new Float64Array(RUNS);
  fillNormal(ofTool);
  const forces = ofTool.map((normal) =>
    tensionN(torqueNm * (1 + toolScatter * normal), low + (high - low) * even(), thread.majorMm),
  );
  const middleFactor = (low + high) / 2;
  const bearing = USUAL_BEARING * thread.majorMm;
  const parts = torqueParts(thread, frictionOfNutFactor(middleFactor, thread, bearing), bearing);
  const all = torquePerNewton(parts);
  return {
    forcesN: bandOf(forces),
    shares: { tension: parts.tension / all, thread: parts.thread / all, head: parts.head / all },
    shareOfProof:
      propertyClass === null
        ? null
        : {
            atLowFriction: stressShare(ask, low, propertyClass),
            atHighFriction: stressShare(ask, high, propertyClass),
          },
  };
};
