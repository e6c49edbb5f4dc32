import { z } from 'zod';
import { ledgerEventSchema } from '#core/event/event-forms.ts';
import { intervalSchema, nextJobSchema, setIntervalSchema } from './interval.ts';
import { ownKindSchema, writtenKindSchema } from './joint-kind.ts';
import { NOTHING, operation } from './operation.ts';
import {
  keptTemplateSchema,
  listedTemplateSchema,
  newTemplateSchema,
  templateJobSchema,
} from './template.ts';

/** What one can do to open a job as one before: from a template, or again after an interval. */
export const TEMPLATE_OPERATIONS = {
  listTemplates: operation({
    method: 'GET',
    path: '/api/v1/templates',
    summary: 'Every template, the one changed last first',
    who: 'see',
    tokens: ['export', 'import'],
    request: NOTHING,
    response: z.array(listedTemplateSchema),
  }),
  keepTemplate: operation({
    method: 'POST',
    path: '/api/v1/templates',
    summary: 'Keep the plan of a job as a template, or as the next revision of one',
    who: 'plan-job',
    request: newTemplateSchema,
    response: listedTemplateSchema,
  }),
  template: operation({
    method: 'GET',
    path: '/api/v1/templates/{template}',
    summary: 'A template as it is now',
    who: 'see',
    tokens: ['export'],
    request: NOTHING,
    response: keptTemplateSchema,
  }),
  openTemplate: operation({
    method: 'POST',
    path: '/api/v1/templates/{template}/jobs',
    summary: 'Open a job from a template',
    who: 'plan-job',
    tokens: ['import'],
    request: templateJobSchema,
    response: ledgerEventSchema,
  }),
  templateLabel: operation({
    method: 'GET',
    path: '/api/v1/templates/{template}/label.svg',
    summary: 'The label of a template with its QR code, which opens a job from it',
    who: 'see',
    request: NOTHING,
    response: z.unknown(),
  }),
  listOwnKinds: operation({
    method: 'GET',
    path: '/api/v1/joint-kinds',
    summary: 'The kinds of joint that the site wrote itself',
    who: 'see',
    tokens: ['export', 'import'],
    request: NOTHING,
    response: z.array(ownKindSchema),
  }),
  writeJointKind: operation({
    method: 'POST',
    path: '/api/v1/joint-kinds',
    summary: 'Write a kind of joint of the site’s own, or its next revision',
    who: 'change-site',
    request: writtenKindSchema,
    response: ownKindSchema,
  }),
  listIntervals: operation({
    method: 'GET',
    path: '/api/v1/intervals',
    summary: 'Every machine that is tightened again and again, the one due first first',
    who: 'see',
    tokens: ['export', 'import'],
    request: NOTHING,
    response: z.array(intervalSchema),
  }),
  setInterval: operation({
    method: 'PUT',
    path: '/api/v1/parts/{part}/interval',
    summary: 'Say how often a machine is tightened again',
    who: 'plan-job',
    tokens: ['import'],
    request: setIntervalSchema,
    response: z.null(),
  }),
  openNextJob: operation({
    method: 'POST',
    path: '/api/v1/parts/{part}/jobs',
    summary: 'Open the next job of a machine, as the one before',
    who: 'plan-job',
    tokens: ['import'],
    request: nextJobSchema,
    response: ledgerEventSchema,
  }),
} as const;
