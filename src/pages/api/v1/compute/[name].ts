import type { APIRoute } from 'astro';
import type { Person } from '#core/people/person.ts';
import { type Result, refused } from '#core/result.ts';
import type { HeavyWork } from '#server/computing/heavy-work.ts';
import { inAThread } from '#server/computing/in-a-thread.ts';
import { endpoint, problemResponse } from '#server/http/endpoint.ts';
import * as compute from '#server/services/compute.ts';
import * as computePlan from '#server/services/compute-plan.ts';
import { OPERATIONS } from '#wire/api.ts';
import type { Problem } from '#wire/problems/problem.ts';

/** From so many characters on it is done in a thread of its own, and from so many it asks for a sign-in. */
const SHORT = 1_500;
const SHORT_FOR_ANYONE = 20_000;
/** More fasteners than this take a noticeable while to be put into an order. */
const ORDERED_FOR_ANYONE = 100;

/** Work that grows with what is sent: at once where it is little, behind others where it is much, and only for somebody who is signed in where it is a lot. */
const longWork = async <B, A>(
  body: B,
  by: Person | null,
  work: (body: B) => Result<A, Problem>,
  kind: HeavyWork['kind'],
): Promise<Result<A, Problem>> => {
  const size = JSON.stringify(body).length;
  if (size <= SHORT) return work(body);
  if (size > SHORT_FOR_ANYONE && !by) return refused({ code: 'not-signed-in' });
  return (await inAThread({ kind, body } as HeavyWork)) as Result<A, Problem>;
};

const ROUTES: Readonly<Record<string, APIRoute>> = {
  'parse-torque': endpoint(OPERATIONS.parseTorque, ({ body }) => compute.parseTorque(body)),
  convert: endpoint(OPERATIONS.convert, ({ body }) => compute.convert(body)),
  'resolve-requirement': endpoint(OPERATIONS.resolveRequirement, ({ body }) =>
    compute.resolveRequirement(body),
  ),
  'tool-setting': endpoint(OPERATIONS.toolSetting, ({ body }) => compute.settingForTool(body)),
  verdict: endpoint(OPERATIONS.verdict, ({ body }) => compute.verdict(body)),
  adapter: endpoint(OPERATIONS.adapter, ({ body }) => compute.adapter(body)),
  'choose-tool': endpoint(OPERATIONS.chooseTool, ({ body }) => compute.chooseTool(body)),
  calibration: endpoint(OPERATIONS.calibration, ({ body }) => compute.calibration(body)),
  'look-up': endpoint(OPERATIONS.lookUp, ({ body, by }) =>
    longWork(body, by, compute.lookUpTable, 'look-up'),
  ),
  'read-label': endpoint(OPERATIONS.readLabel, ({ body, by }) =>
    longWork(body, by, compute.labelTable, 'read-label'),
  ),
  relubricate: endpoint(OPERATIONS.relubricate, ({ body }) => compute.relubricate(body)),
  order: endpoint(OPERATIONS.order, ({ body, by }) =>
    body.places.length > ORDERED_FOR_ANYONE && !by
      ? refused({ code: 'not-signed-in' })
      : computePlan.order(body),
  ),
  preload: endpoint(OPERATIONS.preload, ({ body }) => computePlan.preload(body)),
  // Always long: behind others, and only for somebody who is signed in.
  simulate: endpoint(OPERATIONS.simulate, async ({ body, by }) =>
    by
      ? ((await inAThread({ kind: 'simulate', body })) as ReturnType<typeof computePlan.simulate>)
      : refused({ code: 'not-signed-in' }),
  ),
  conductor: endpoint(OPERATIONS.conductor, ({ body }) => compute.conductor(body)),
};

export const POST: APIRoute = (context) => {
  const route = Object.hasOwn(ROUTES, context.params['name'] ?? '')
    ? ROUTES[context.params['name'] ?? '']
    : undefined;
  return route ? route(context) : problemResponse({ code: 'not-found', what: 'address' });
};
