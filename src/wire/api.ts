import { z } from 'zod';
import { instantSchema } from '#core/bounds.ts';
import { ledgerEventSchema, sentEventSchema } from '#core/event/event-forms.ts';
import { personSchema } from '#core/people/person.ts';
import { BOOK_OPERATIONS } from './api-book.ts';
import { KEEPING_OPERATIONS } from './api-keeping.ts';
import { TOOL_OPERATIONS } from './api-tools.ts';
import { logEntrySchema } from './book.ts';
import * as compute from './compute.ts';
import { jobSummarySchema } from './job-summary.ts';
import { newJobSchema } from './new-job.ts';
import { computing, NOTHING, type Operation, operation } from './operation.ts';
import { newPersonSchema, pinSchema } from './person.ts';
import { newSignatureSchema } from './signature.ts';
import { siteSchema } from './site.ts';

/** What a device says of itself as it sends: its clock, and which browser it is. */
const contactShape = { sentAt: instantSchema.optional(), device: z.uuid().optional() };

/** Most events of one batch. */
export const EVENTS_MAX = 100;

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
  listPeople: operation({
    method: 'GET',
    path: '/api/v1/people',
    summary: 'Everyone who can sign in',
    who: 'anyone',
    request: NOTHING,
    response: z.array(personSchema),
  }),
  addPerson: operation({
    method: 'POST',
    path: '/api/v1/people',
    summary: 'Add a person; on an empty site, the first',
    who: 'anyone',
    also: ['add-person'],
    request: newPersonSchema,
    response: personSchema,
  }),
  signIn: operation({
    method: 'POST',
    path: '/api/v1/sessions',
    summary: 'Sign in with a PIN',
    who: 'anyone',
    request: z.strictObject({ personId: z.uuid(), pin: pinSchema }),
    response: personSchema,
  }),
  signOut: operation({
    method: 'DELETE',
    path: '/api/v1/sessions',
    summary: 'Sign out',
    who: 'anyone',
    request: NOTHING,
    response: z.null(),
  }),
  site: operation({
    method: 'GET',
    path: '/api/v1/settings',
    summary: 'What the site has chosen',
    who: 'see',
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
  listJobs: operation({
    method: 'GET',
    path: '/api/v1/jobs',
    summary: 'Every job, the one worked on last first',
    who: 'see',
    request: NOTHING,
    response: z.array(jobSummarySchema),
  }),
  planJob: operation({
    method: 'POST',
    path: '/api/v1/jobs',
    summary: 'Plan a job from a settled terminal list',
    who: 'plan-job',
    request: newJobSchema,
    response: ledgerEventSchema,
  }),
  jobEvents: operation({
    method: 'GET',
    path: '/api/v1/jobs/{job}/events',
    summary: 'Events of a job after a sequence (?after=)',
    who: 'see',
    request: NOTHING,
    response: z.array(ledgerEventSchema),
  }),
  appendEvents: operation({
    method: 'POST',
    path: '/api/v1/jobs/{job}/events',
    summary: 'Append events; sending one again answers the same',
    who: 'work-on-job',
    also: ['override-tool', 'reopen-job', 'move-rules', 'check-fastener'],
    request: z.strictObject({
      events: z.array(sentEventSchema).min(1).max(EVENTS_MAX),
      ...contactShape,
    }),
    response: z.strictObject({
      placed: z.array(ledgerEventSchema),
      receivedAt: instantSchema,
      refused: z.strictObject({ eventId: z.uuid(), problem: z.looseObject({ code: z.string() }) }).nullable(),
    }),
  }),
  signJob: operation({
    method: 'POST',
    path: '/api/v1/jobs/{job}/signatures',
    summary: 'Sign a job with a PIN',
    who: 'sign-done',
    also: ['sign-inspected'],
    request: newSignatureSchema,
    response: ledgerEventSchema,
  }),
  exportRecord: operation({
    method: 'GET',
    path: '/api/v1/jobs/{job}/record.json',
    summary: 'The whole record of a job, sealed',
    who: 'see',
    request: NOTHING,
    response: z.unknown(),
  }),
  exportPulls: operation({
    method: 'GET',
    path: '/api/v1/jobs/{job}/pulls.csv',
    summary: 'The pulls of a job as CSV',
    who: 'see',
    request: NOTHING,
    response: z.string(),
  }),
  ...BOOK_OPERATIONS,
  ...TOOL_OPERATIONS,
  ...KEEPING_OPERATIONS,
} as const satisfies Record<string, Operation>;
