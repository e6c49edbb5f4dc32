import { stressDiameterMm, type ThreadGeometry } from './thread-geometry.ts';
import type { TorqueParts } from './torque-shares.ts';

/** Whether the twist is carried as by an elastic bar, or as by one whose whole section yields. */
export type Torsion = 'elastic' | 'plastic';

// τ = 16·T/(π d³) at the rim of an elastic bar; 12·T/(π d³) where the whole section carries it.
const TORSION = { elastic: 16, plastic: 12 } as const;
const MM_PER_M = 1000;

/** The stress in a screw while it is pulled, in megapascals, as one number: tension, and the twist of what the thread takes.
 *    σ = F/Aₛ, τ = 16·T_thread/(π dₛ³), σ_v = √(σ² + 3τ²)
 *  Source: von Mises; VDI 2230-1:2015, 5.5.1, takes 12 in place of 16 (from memory). Departures: elastic unless asked, which is the safer side. */
export const screwStressMpa = (
  forceN: number,
  parts: TorqueParts,
  thread: Pick<ThreadGeometry, 'stressAreaMm2'>,
  torsion: Torsion = 'elastic',
): number => {
  const sigma = forceN / thread.stressAreaMm2;
  const threadTorqueNmm = forceN * (parts.tension + parts.thread) * MM_PER_M;
  const tau = (TORSION[torsion] * threadTorqueNmm) / (Math.PI * stressDiameterMm(thread) ** 3);
  return Math.hypot(sigma, Math.sqrt(3) * tau);
};
