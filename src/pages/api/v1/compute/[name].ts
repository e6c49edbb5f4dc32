import type { APIRoute } from 'astro';
import { endpoint, problemResponse } from '#server/http/endpoint.ts';
import * as compute from '#server/services/compute.ts';
import { OPERATIONS } from '#wire/api.ts';

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
  'look-up': endpoint(OPERATIONS.lookUp, ({ body }) => compute.lookUpTable(body)),
  'read-label': endpoint(OPERATIONS.readLabel, ({ body }) => compute.labelTable(body)),
  relubricate: endpoint(OPERATIONS.relubricate, ({ body }) => compute.relubricate(body)),
  conductor: endpoint(OPERATIONS.conductor, ({ body }) => compute.conductor(body)),
};

export const POST: APIRoute = (context) => {
  const route = Object.hasOwn(ROUTES, context.params['name'] ?? '')
    ? ROUTES[context.params['name'] ?? '']
    : undefined;
  return route ? route(context) : problemResponse({ code: 'not-found', what: 'address' });
};
