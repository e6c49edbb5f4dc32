import { z } from 'zod';
import { instantSchema, whySchema } from '#core/bounds.ts';
import { sessionPointSchema } from '#core/calibration/session-evaluation.ts';
import { torqueUnitSchema } from '#core/quantity/unit.ts';
import { adapterSchema, mountedAdapterSchema } from '#core/tool/adapter.ts';
import { errorPointSchema } from '#core/tool/known-error.ts';
import { SCALE_VALUE_MAX } from '#core/tool/scale.ts';
import { toolSchema } from '#core/tool/tool.ts';
import { TOOL_BLOCKS, toolBlockSchema } from '#core/tool/tool-blocks.ts';
import { attachmentSchema } from './attachment.ts';
import { keptSessionSchema, newSessionSchema, recalledPullSchema } from './calibration.ts';
import { deviceHandSchema, deviceToldSchema } from './device.ts';
import { computing, type DeepReadonly, NOTHING, operation } from './operation.ts';
import { knownPartSchema, partHistorySchema } from './part.ts';
import { quantitySchema } from './quantity.ts';
import { RECALL_DECISIONS } from './recall.ts';
import { cribToolSchema, newAdapterSchema, newToolSchema, toolReportSchema } from './tool.ts';

/** Something that happened to a tool, as its page tells it. */
const toolEventLineSchema = z.object({
  at: instantSchema,
  by: z.string(),
  kind: z.string(),
  body: z.looseObject({}),
});

/** All there is to a tool. */
export const toolAtLengthSchema = z.strictObject({
  known: cribToolSchema,
  sessions: z.array(keptSessionSchema),
  events: z.array(toolEventLineSchema),
  attachments: z.array(attachmentSchema),
  /** How many jobs that it touched while it was off await a lead's decision. */
  undecided: z.int(),
});
export type ToolAtLength = DeepReadonly<z.infer<typeof toolAtLengthSchema>>;

export const adapterRequest = z.strictObject({
  torque: quantitySchema,
  leverMillimetres: z.number().positive().max(2000).nullable(),
  chain: z.array(mountedAdapterSchema).max(6),
});
export const adapterResponse = z.strictObject({
  factor: z.number(),
  setting: quantitySchema,
  tenDegreesPercent: z.number(),
  tenMillimetresPercent: z.number(),
});

export const chooseToolRequest = z.strictObject({
  tools: z
    .array(
      z.strictObject({
        tool: toolSchema,
        blocks: z.array(toolBlockSchema).max(TOOL_BLOCKS.length),
        standsAt: z.number().nonnegative().max(SCALE_VALUE_MAX).nullable(),
      }),
    )
    .max(200),
  target: quantitySchema,
  low: quantitySchema,
  high: quantitySchema,
  thread: z.enum(['right', 'left']).default('right'),
});
export const chooseToolResponse = z.strictObject({
  fits: z.array(
    z.strictObject({
      code: z.string(),
      setting: z.string(),
      unit: torqueUnitSchema,
      probability: z.number(),
    }),
  ),
  out: z.array(z.strictObject({ code: z.string(), because: z.array(z.string()) })),
});

export const calibrationRequest = z.strictObject({
  tool: toolSchema,
  referenceExpandedPercent: z.number().nonnegative().max(20),
  points: z.array(sessionPointSchema).min(1).max(20),
});
export const calibrationResponse = z.strictObject({
  hasPassed: z.boolean(),
  usable: z.strictObject({ lowNewtonMetres: z.number(), highNewtonMetres: z.number() }).nullable(),
  points: z.array(
    errorPointSchema.extend({
      repeatabilityPercent: z.number(),
      limitPercent: z.number(),
      isInside: z.boolean(),
      isUsable: z.boolean(),
    }),
  ),
});

const knownToolSchema = cribToolSchema.omit({ blocks: true });

/** The operations of the tool crib. */
export const TOOL_OPERATIONS = {
  adapter: computing(
    'adapter',
    'Setting through an adapter, and what it is sensitive to',
    adapterRequest,
    adapterResponse,
  ),
  chooseTool: computing('choose-tool', 'Rank tools for a target', chooseToolRequest, chooseToolResponse),
  calibration: computing(
    'calibration',
    'Evaluate a calibration session',
    calibrationRequest,
    calibrationResponse,
  ),
  listTools: operation({
    method: 'GET',
    path: '/api/v1/tools',
    summary: 'The tool crib, with what stands against each tool today',
    who: 'see',
    tokens: ['export', 'import'],
    request: NOTHING,
    response: z.array(cribToolSchema),
  }),
  tool: operation({
    method: 'GET',
    path: '/api/v1/tools/{tool}',
    summary: 'A tool at length: how it stands, its sessions, what happened to it, its photographs',
    who: 'see',
    tokens: ['export'],
    request: NOTHING,
    response: toolAtLengthSchema,
  }),
  addTool: operation({
    method: 'POST',
    path: '/api/v1/tools',
    summary: 'Add a tool',
    who: 'add-tool',
    request: newToolSchema,
    response: toolSchema,
  }),
  reportTool: operation({
    method: 'POST',
    path: '/api/v1/tools/{tool}/happenings',
    summary: 'Report a drop, an overload, a repair, a loan or its end',
    who: 'report-tool',
    also: ['lend-or-retire-tool'],
    request: toolReportSchema,
    response: knownToolSchema,
  }),
  keepSession: operation({
    method: 'POST',
    path: '/api/v1/calibrations',
    summary: 'Keep a calibration session',
    who: 'check-tool',
    also: ['calibrate-tool', 'release-quarantine', 'keep-narrowed'],
    request: newSessionSchema,
    response: z.strictObject({ session: keptSessionSchema, known: knownToolSchema }),
  }),
  listParts: operation({
    method: 'GET',
    path: '/api/v1/parts',
    summary: 'Every part and machine that a job named, by the code on it',
    who: 'see',
    tokens: ['export', 'import'],
    request: NOTHING,
    response: z.array(knownPartSchema),
  }),
  part: operation({
    method: 'GET',
    path: '/api/v1/parts/{part}',
    summary: 'What a part or a machine has been through over all jobs, the newest first',
    who: 'see',
    tokens: ['export'],
    request: NOTHING,
    response: partHistorySchema,
  }),
  recall: operation({
    method: 'GET',
    path: '/api/v1/tools/{tool}/recall',
    summary: 'Judge every pull of a tool that was found out again: lines of JSON, progress first',
    who: 'see',
    request: NOTHING,
    response: z.unknown(),
  }),
  recallCsv: operation({
    method: 'GET',
    path: '/api/v1/tools/{tool}/recall.csv',
    summary: 'The recalled jobs as CSV',
    who: 'see',
    tokens: ['export'],
    request: NOTHING,
    response: z.string(),
  }),
  recallPdf: operation({
    method: 'GET',
    path: '/api/v1/tools/{tool}/recall.pdf',
    summary: 'The recalled jobs as PDF',
    who: 'see',
    tokens: ['export'],
    request: NOTHING,
    response: z.unknown(),
  }),
  recalledWork: operation({
    method: 'GET',
    path: '/api/v1/tools/{tool}/recall/{job}',
    summary: 'The work list of a recalled job, the farthest outside first',
    who: 'see',
    tokens: ['export'],
    request: NOTHING,
    response: z.array(recalledPullSchema.omit({ isOutsideLinear: true })),
  }),
  decideRecall: operation({
    method: 'POST',
    path: '/api/v1/tools/{tool}/recall/decisions',
    summary: 'Decide what is done about a recalled job, with a reason',
    who: 'decide-recall',
    request: z.strictObject({ jobId: z.uuid(), what: z.enum(RECALL_DECISIONS), why: whySchema }),
    response: z.strictObject({ recheckJobId: z.uuid().nullable() }),
  }),
  listAdapters: operation({
    method: 'GET',
    path: '/api/v1/adapters',
    summary: 'Every adapter of the crib',
    who: 'see',
    tokens: ['export'],
    request: NOTHING,
    response: z.array(adapterSchema),
  }),
  addAdapter: operation({
    method: 'POST',
    path: '/api/v1/adapters',
    summary: 'Add an adapter',
    who: 'add-tool',
    request: newAdapterSchema,
    response: adapterSchema,
  }),
  toolLabel: operation({
    method: 'GET',
    path: '/api/v1/tools/{tool}/label.svg',
    summary: 'The label of a tool with its QR code',
    who: 'see',
    tokens: ['export'],
    request: NOTHING,
    response: z.unknown(),
  }),
  toolLabels: operation({
    method: 'GET',
    path: '/api/v1/labels.pdf',
    summary: 'A sheet of labels for every tool',
    who: 'see',
    tokens: ['export'],
    request: NOTHING,
    response: z.unknown(),
  }),
  calendar: operation({
    method: 'GET',
    path: '/api/v1/calendar/{token}.ics',
    summary: 'Due dates of tools and loans, for ordinary calendars; the token is on the Tools page',
    who: 'anyone',
    request: NOTHING,
    response: z.unknown(),
  }),
  deviceLines: operation({
    method: 'GET',
    path: '/api/v1/devices/lines',
    summary:
      'What the devices of the bench say, as it comes: server-sent events; `?after=` goes on after an id',
    who: 'see',
    request: NOTHING,
    response: z.unknown(),
  }),
  tellDevice: operation({
    method: 'POST',
    path: '/api/v1/devices/job',
    summary: 'Tell a device whose job it works for: its readings say so from then on, where it can',
    who: 'work-on-job',
    request: deviceToldSchema,
    response: z.null(),
  }),
  moveDevice: operation({
    method: 'POST',
    path: '/api/v1/devices/hand',
    summary: 'Let a simulated device feel a pull, show a level, or lose its cable',
    who: 'work-on-job',
    request: deviceHandSchema,
    response: z.null(),
  }),
} as const;
