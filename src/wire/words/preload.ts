import type { Surface } from '#core/preload/nut-factor.ts';
import type { ProofWarning } from '#core/preload/proof-warning.ts';
import type { Stripping } from '#core/preload/stripping.ts';
import type { NutMaterial } from '#core/preload/tensile-strength.ts';

/** The surfaces of a thread by name. */
export const SURFACE_WORDS: Readonly<Record<Surface, string>> = {
  'dry-steel': 'dry steel',
  zinc: 'zinc plated',
  oiled: 'oiled',
  'molybdenum-paste': 'molybdenum paste',
  threadlocker: 'anaerobic threadlocker',
};

/** What a nut thread is cut in, by name. */
export const NUT_WORDS: Readonly<Record<NutMaterial, string>> = {
  'steel-mild': 'mild steel',
  'steel-8': 'steel nut, class 8',
  'stainless-a2': 'stainless A2',
  brass: 'brass',
  'aluminium-6061-t6': 'aluminium 6061-T6',
  'aluminium-cast': 'cast aluminium',
  'cast-iron': 'cast iron',
  'magnesium-cast': 'cast magnesium',
};

/** What stands against a screw at a requirement. */
export const proofWords = ({ thread, propertyClass, share }: ProofWarning): string =>
  `Where friction is low, this takes an ${thread} screw of class ${propertyClass} to ${Math.round(share * 100)} % of its proof strength; past 90 % little is left before it stretches for good. Check class, thread and lubrication against the source.`;

/** A force in kilonewtons, or newtons where it is small, with three digits. */
export const forceWords = (newtons: number): string =>
  newtons >= 1000 ? `${Number((newtons / 1000).toPrecision(3))} kN` : `${Math.round(newtons)} N`;

/** What gives way first, and from what engagement on the screw does. */
export const strippingWords = ({ weakest, leastEngagementMm }: Stripping, engagementMm: number): string => {
  const least = `${leastEngagementMm.toFixed(1)} mm`;
  if (weakest === 'screw')
    return `Overdone, the screw breaks before a thread strips: ${engagementMm} mm are engaged, ${least} are enough.`;
  const what = weakest === 'nut-thread' ? 'the thread it goes into' : 'the screw’s thread';
  return `Overdone, ${what} strips before the screw breaks, and nobody sees it coming: engage ${least} or more.`;
};
