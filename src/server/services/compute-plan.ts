import type { z } from 'zod';
import { orderOf } from '#core/order/order.ts';
import { orderReport } from '#core/order/order-report.ts';
import { preloadBand } from '#core/preload/preload-band.ts';
import { threadGeometry } from '#core/preload/thread-geometry.ts';
import type { Band } from '#core/quantity/scatter.ts';
import { toNewtonMetres } from '#core/quantity/unit.ts';
import { accepted, type Result } from '#core/result.ts';
import { simulation } from '#core/simulate/simulation.ts';
import * as wire from '#wire/compute-plan.ts';
import type { DeepReadonly } from '#wire/operation.ts';
import type { Problem } from '#wire/problems/problem.ts';

type In<S extends z.ZodType> = z.output<S>;
type Out<S extends z.ZodType> = Result<DeepReadonly<z.input<S>>, Problem>;

/** Places in an order, and how it compares with the best. */
export const order = ({
  places,
  order: wanted,
}: In<typeof wire.orderRequest>): Out<typeof wire.orderResponse> => {
  const byPosition = new Map(places.map((place) => [place.position, place]));
  const positions = orderOf(wanted, places);
  const { largestEccentricityMm, bestEccentricityMm, isBestProved } = orderReport(
    positions.flatMap((position) => byPosition.get(position) ?? []),
  );
  return accepted({ positions, largestEccentricityMm, bestEccentricityMm, isBestProved });
};

const bandOf = ([low, middle, high]: Band) => ({ low, middle, high });

/** What a torque makes of a screw. Refuses: unreadable-thread, pitch-not-known. */
export const preload = ({
  thread: printed,
  torque,
  surface,
  propertyClass,
  toolScatter,
}: In<typeof wire.preloadRequest>): Out<typeof wire.preloadResponse> => {
  const thread = threadGeometry(printed);
  if (!thread.ok) return thread;
  const { designation, stressAreaMm2 } = thread.value;
  const torqueNm = toNewtonMetres(torque.value, torque.unit);
  const band = preloadBand({ thread: thread.value, surface, torqueNm, toolScatter, propertyClass });
  return accepted({
    designation,
    stressAreaMm2,
    nutFactors: wire.nutFactorsOf(surface),
    forceNewtons: bandOf(band.forcesN),
    torqueShares: band.shares,
    shareOfProof: band.shareOfProof,
  });
};

/** What becomes of a joint that is pulled in an order and passes. */
export const simulate = (ask: In<typeof wire.simulateRequest>): Out<typeof wire.simulateResponse> => {
  const run = simulation(ask);
  let step = run.next();
  while (!step.done) step = run.next();
  const { spreads, smallest, needed, singlePass, runs } = step.value;
  return accepted({
    spreads,
    smallest,
    needed,
    singlePass: singlePass && [...singlePass],
    forces: runs.forces.map(bandOf),
    shareWithin: runs.shareWithin,
  });
};
