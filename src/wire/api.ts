import { z } from 'zod';
import { ledgerEventSchema } from '#core/event/event-forms.ts';
import { BOOK_OPERATIONS } from './api-book.ts';
import { JOB_OPERATIONS } from './api-jobs.ts';
import { KEEPING_OPERATIONS } from './api-keeping.ts';
import { PEOPLE_OPERATIONS } from './api-people.ts';
import { TEMPLATE_OPERATIONS } from './api-templates.ts';
import { TOOL_OPERATIONS } from './api-tools.ts';
import { logEntrySchema } from './book.ts';
import * as compute from './compute.ts';
import * as computePlan from './compute-plan.ts';
import { newJobSchema } from './new-job.ts';
import { computing, NOTHING, type Operation, operation } from './operation.ts';
import { siteSchema } from './site.ts';

export const OPERATIONS = {
  parseTorque: computing(
    'parse-torque',
    'Read a torque as people print it',
    compute.parseTorqueRequest,
    compute.parseTorqueResponse,
  ),
  convert: computing(
    'convert',
    'Convert a torque to another unit',
    compute.convertRequest,
    compute.convertResponse,
  ),
  resolveRequirement: computing(
    'resolve-requirement',
    'Target and acceptance of a printed requirement',
    compute.resolveRequirementRequest,
    compute.resolveRequirementResponse,
  ),
  toolSetting: computing(
    'tool-setting',
    'What to set a tool to',
    compute.toolSettingRequest,
    compute.toolSettingResponse,
  ),
  verdict: computing(
    'verdict',
    'Verdict on a reading, with its probability',
    compute.verdictRequest,
    compute.verdictResponse,
  ),
  conductor: computing(
    'conductor',
    'Size of a conductor',
    compute.conductorRequest,
    compute.conductorResponse,
  ),
  order: computing(
    'order',
    'Fasteners in an order, and how it compares with the best',
    computePlan.orderRequest,
    computePlan.orderResponse,
  ),
  preload: computing(
    'preload',
    'What a torque makes of a screw',
    computePlan.preloadRequest,
    computePlan.preloadResponse,
  ),
  simulate: computing(
    'simulate',
    'What becomes of a joint that is pulled in an order and passes (asks for a sign-in)',
    computePlan.simulateRequest,
    computePlan.simulateResponse,
  ),
  ...PEOPLE_OPERATIONS,
  site: operation({
    method: 'GET',
    path: '/api/v1/settings',
    summary: 'What the site has chosen',
    who: 'see',
    tokens: ['export', 'import'],
    request: NOTHING,
    response: siteSchema,
  }),
  changeSite: operation({
    method: 'PUT',
    path: '/api/v1/settings',
    summary: 'Change what the site has chosen',
    who: 'change-site',
    request: z.strictObject({ site: siteSchema, why: z.string().trim().max(300) }),
    response: siteSchema,
  }),
  siteChanges: operation({
    method: 'GET',
    path: '/api/v1/settings/changes',
    summary: 'Who changed what the site has chosen, when and why',
    who: 'see',
    request: NOTHING,
    response: z.array(logEntrySchema),
  }),
  planJob: operation({
    method: 'POST',
    path: '/api/v1/jobs',
    summary: 'Plan a job from a settled terminal list',
    who: 'plan-job',
    tokens: ['import'],
    request: newJobSchema,
    response: ledgerEventSchema,
  }),
  exportRecord: operation({
    method: 'GET',
    path: '/api/v1/jobs/{job}/record.json',
    summary: 'The whole record of a job, sealed',
    who: 'see',
    tokens: ['export'],
    request: NOTHING,
    response: z.unknown(),
  }),
  exportPulls: operation({
    method: 'GET',
    path: '/api/v1/jobs/{job}/pulls.csv',
    summary: 'The pulls of a job as CSV',
    who: 'see',
    tokens: ['export'],
    request: NOTHING,
    response: z.string(),
  }),
  ...JOB_OPERATIONS,
  ...BOOK_OPERATIONS,
  ...TEMPLATE_OPERATIONS,
  ...TOOL_OPERATIONS,
  ...KEEPING_OPERATIONS,
} as const satisfies Record<string, Operation>;
