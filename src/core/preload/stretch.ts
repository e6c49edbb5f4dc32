/** A stretched part of a screw: how long, and how thick. Millimetres and square millimetres. */
export type StretchedPart = { readonly lengthMm: number; readonly areaMm2: number };

/** Young's modulus of steel, in megapascals. Common value. */
export const STEEL_MPA = 205_000;

/** The force that stretches a screw by a measured length, in newtons.
 *    F = ΔL / Σ( lᵢ/(E·Aᵢ) )
 *  over shank, free thread and half of the engaged thread. Source: Hooke; the half of the engaged thread is common practice.
 *  Valid for: a screw that has not yielded. */
export const forceOfStretch = (
  stretchMm: number,
  parts: readonly StretchedPart[],
  modulusMpa = STEEL_MPA,
): number =>
  stretchMm / parts.reduce((sum, { lengthMm, areaMm2 }) => sum + lengthMm / (modulusMpa * areaMm2), 0);

/** What a screw is stretched by a force, in millimetres: the same the other way round. */
export const stretchOfForce = (
  forceN: number,
  parts: readonly StretchedPart[],
  modulusMpa = STEEL_MPA,
): number =>
  forceN * parts.reduce((sum, { lengthMm, areaMm2 }) => sum + lengthMm / (modulusMpa * areaMm2), 0);

/** The force that a turn adds, in newtons: stiffness of screw and parts together times how far the thread moves in.
 *    F = k·P·θ/360
 *  Source: geometry of the thread. Valid for: a joint that is snug, before anything yields. */
export const forceOfTurn = (stiffnessNPerMm: number, pitchMm: number, angleDegrees: number): number =>
  (stiffnessNPerMm * pitchMm * angleDegrees) / 360;

/** The stiffness of a screw and of what it clamps, one after the other, in newtons per millimetre; the clamped parts as so many times as stiff. */
export const jointStiffness = (
  parts: readonly StretchedPart[],
  clampedTimes: number,
  modulusMpa = STEEL_MPA,
): number => {
  const screw = 1 / stretchOfForce(1, parts, modulusMpa);
  return (screw * clampedTimes) / (1 + clampedTimes);
};
