import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { jobEventSchema, unplacedEventSchema } from '#core/event/event.ts';
import { EVENT_KINDS } from '#core/event/kinds.ts';
import { ONLY_GROUP } from '#core/job/only-group.ts';
import type { PlannedRequirement } from '#core/job/plan.ts';
import { CONTROL_CABINET } from '#core/joint/kinds/control-cabinet.ts';
import { CONTROL_CABINET_1 } from '#core/joint/kinds/control-cabinet-1.ts';
import { OPERATIONS } from '#wire/api.ts';
import { jobNumberText } from '#wire/job-summary.ts';
import { openApiText } from '#wire/openapi.ts';
import { newPersonSchema } from '#wire/person.ts';
import { rightsText } from '#wire/rights.ts';
import { newToolSchema } from '#wire/tool.ts';
import { INSPECTOR, LEAD, SampleJob, sampleCheck, samplePlan, TOOL } from '../core/job/sample-job.ts';
import { colletPlan, LARGE, planOf, ringPlan, sampleGroup } from '../core/job/sample-joints.ts';

const [, moved] = samplePlan(['22 in-lb', '12 to 16 in-lb']).fasteners.map(({ requirement }) => requirement);
const check = sampleCheck();

/** A nut on which something went wrong, and whose collet was scrapped. */
const withTrouble = () => {
  const job = new SampleJob(colletPlan()).ready(LARGE);
  const position = '1';
  job.happen({ kind: 'trouble-met', body: { position, trouble: 'cross-threaded', note: '' } });
  job.happen({ kind: 'fastener-inspected', body: { position, isGood: false, note: 'nicked' } });
  job.happen({ kind: 'fastener-replaced', body: { position, why: 'nicked' } });
  const replacement = { code: 'KC-2', name: 'collet', isIrreplaceable: false };
  job.happen({ kind: 'part-scrapped', body: { group: 'A', part: 'KC-1', why: 'ring scratch', replacement } });
  const picture = { attachmentId: TOOL.id, sha256: 'a'.repeat(64) };
  job.happen({ kind: 'note-made', body: { position, text: 'new one', isHandOver: true, picture } });
  const claimed = { id: picture.attachmentId, name: 'Eko', role: 'technician' as const };
  job.happen({ kind: 'bench-taken-over', body: { claimed, since: '2026-11-02T08:00:00.000Z' } });
  job.happen({ kind: 'take-over-confirmed', body: { since: '2026-11-02T08:00:00.000Z' } });
  return job;
};

/** A cabinet that drains before it is touched. */
const draining = () => {
  const job = new SampleJob(planOf(sampleGroup('A', CONTROL_CABINET, [{ printed: '2 Nm' }]))).ready();
  const setting = { text: '5', value: 5, unit: 'lbf.in' } as const;
  job.happen({ kind: 'tools-wound-down', body: { tools: [{ toolId: TOOL.id, setting }] } });
  job.happen({ kind: 'wait-begun', body: { group: null, step: 'discharged', of: null, afterPass: null } });
  return job;
};

/** A bolt brought to its torque and turned on. */
const turnedOn = () => {
  const kind = { ...CONTROL_CABINET_1, revision: 2 };
  const job = new SampleJob(planOf(sampleGroup('A', kind, [{ printed: '20 Nm + 90°' }]))).ready(LARGE);
  const turned = { text: '90', value: 90, unit: '°' } as const;
  const said = { position: '1', step: 0, turned, method: 'read' } as const;
  job.pull('1');
  job.happen({
    kind: 'angle-turned',
    body: { ...said, askedDegrees: 90, toleranceDegrees: 5, outcome: 'in' },
  });
  return job;
};

/** A job of a ring whose one screw is finger tight. */
const ofARing = () => {
  const job = new SampleJob(ringPlan(['finger tight']));
  job.step({ group: 'A', step: 'started-by-hand', of: null, afterPass: null, result: { kind: 'confirmed' } });
  job.happen({ kind: 'finger-tightened', body: { position: '1' } });
  return job;
};

const everyKind = () => {
  const job = new SampleJob(undefined, {}, 1).ready().pull('1', 'over-shot');
  job.happen({ kind: 'rules-moved', body: { from: 1, to: 2, why: 'newer', differing: [] } }, LEAD);
  job.happen({ kind: 'fastener-loosened', body: { position: '1' } });
  job.pull('1').happen({ kind: 'witness-marked', body: { position: '1' } });
  job
    .pull('2')
    .happen({ kind: 'pull-voided', body: { pullId: job.state.lastPull?.eventId ?? '', why: 'wrong one' } });
  job.happen({ kind: 'left-open', body: { position: '2', why: 'spare' } });
  job.happen({ kind: 'left-open', body: { position: '3', why: 'spare' } });
  job.happen({
    kind: 'requirement-moved',
    body: { position: '3', requirement: moved as PlannedRequirement, why: 'revised' },
  });
  const torque = { text: '2.0', value: 2, unit: 'lbf.in' } as const;
  job.happen({ kind: 'run-on-measured', body: { position: '3', torque } });
  job.happen({ kind: 'left-open', body: { position: '3', why: 'spare' } });
  job.happen({ kind: 'gap-accepted', body: { group: ONLY_GROUP, why: 'none better' } }, LEAD);
  job.signBoth().happen({ kind: 'fastener-checked', body: check });
  const recall = { sessionId: TOOL.id, toolCode: 'T-1', what: 'accept', why: 'inside', outside: 0 };
  job.happen({ kind: 'recall-noted', body: recall }, LEAD);
  const valueRecall = {
    refId: TOOL.id,
    code: 'R-1',
    revision: 2,
    what: 're-check',
    why: 'misread',
    outside: 1,
    recheckJobId: TOOL.id,
  };
  job.happen({ kind: 'value-recall-noted', body: valueRecall }, LEAD);
  job.happen({ kind: 'job-reopened', body: { why: 'loose' } }, INSPECTOR);
  return job;
};

describe('events cross the boundary whole', () => {
  test('every kind of event passes its schema unchanged, unplaced and placed', () => {
    const jobs = [everyKind(), ofARing(), withTrouble(), draining(), turnedOn()];
    expect([...new Set(jobs.flatMap(({ events }) => events.map(({ kind }) => kind)))].sort()).toEqual(
      ['job-planned', ...Object.keys(EVENT_KINDS)].sort(),
    );
    for (const event of jobs.flatMap(({ events }) => events))
      expect(unplacedEventSchema.parse(JSON.parse(JSON.stringify(event)))).toEqual(event);
    for (const event of jobs.flatMap((job) => job.chain()))
      expect(jobEventSchema.parse(JSON.parse(JSON.stringify(event)))).toEqual(event);
  });

  test.each([
    { name: 'a kind that does not exist', change: { kind: 'job-forgotten' } },
    { name: 'a body of another kind', change: { body: { position: '1' } } },
    { name: 'a field more', change: { note: 'x' } },
    { name: 'another version', change: { schemaVersion: 4 } },
    { name: 'a time without its zone', change: { deviceTime: '2026-11-02T08:00:00.000' } },
    { name: 'a time in seconds', change: { deviceTime: '2026-11-02T08:00:00Z' } },
    { name: 'an id that is none', change: { id: '42' } },
    { name: 'a person without a role', change: { person: { id: TOOL.id, name: 'Tam' } } },
  ])('$name is refused', ({ change }) => {
    const [, event] = new SampleJob().ready().events;
    expect(unplacedEventSchema.safeParse({ ...event, ...change }).success).toBe(false);
  });
});

describe('bounds of what comes from outside', () => {
  test.each([
    { pin: '123', ok: false },
    { pin: '1234', ok: true },
    { pin: '123456789012', ok: true },
    { pin: '1234567890123', ok: false },
    { pin: '12a4', ok: false },
    { pin: null, ok: true },
  ])('a PIN of $pin: $ok', ({ pin, ok }) => {
    expect(newPersonSchema.safeParse({ name: 'Tam', role: 'technician', pin }).success).toBe(ok);
  });

  test.each([
    { change: { code: '' }, ok: false },
    { change: { code: 'x'.repeat(20) }, ok: true },
    { change: { code: 'x'.repeat(21) }, ok: false },
    { change: { calibratedOn: '2026-02-30' }, ok: false },
    { change: { scale: { ...TOOL.scale, maximum: Number.POSITIVE_INFINITY } }, ok: false },
    { change: { toolClass: 'II-H' }, ok: false },
    { change: {}, ok: true },
  ])('a tool with $change: $ok', ({ change, ok }) => {
    const { id: _, limitPercent: _l, calibration: _c, ...tool } = TOOL;
    expect(newToolSchema.safeParse({ ...tool, ...change }).success).toBe(ok);
  });

  test('a batch has at most 100 events', () => {
    const event = new SampleJob().ready().events[1];
    const batch = (count: number) =>
      OPERATIONS.appendEvents.request.safeParse({ events: Array(count).fill(event) }).success;
    expect([batch(0), batch(1), batch(100), batch(101)]).toEqual([false, true, true, false]);
  });
});

describe('docs/openapi.json', () => {
  test('is what the schemas say: run npm run openapi after a change', () => {
    expect(readFileSync('docs/openapi.json', 'utf8')).toBe(openApiText());
  });

  test('names its server, how one is known to it, and which problems an operation can answer', () => {
    const { servers, components, paths } = JSON.parse(openApiText());
    expect(servers).toMatchObject([
      { url: '{address}', variables: { address: { default: 'http://127.0.0.1:4321' } } },
    ]);
    expect(components.securitySchemes).toMatchObject({
      session: { in: 'cookie' },
      token: { scheme: 'bearer' },
    });
    const types = (path: string, method: string, status: string): readonly string[] => {
      const { $ref } = paths[path][method].responses[status];
      const { content } = components.responses[$ref.split('/').at(-1)];
      return content['application/problem+json'].schema.allOf[1].properties.type.enum;
    };
    expect(types('/api/v1/sessions', 'post', '403')).toContain('urn:jentik:problem:wrong-pin');
    expect(types('/api/v1/sessions', 'post', '429')).toEqual(['urn:jentik:problem:pin-locked']);
    expect(types('/api/v1/jobs/{job}/events', 'post', '409')).toContain('urn:jentik:problem:event-id-used');
    expect(paths['/api/v1/requirements.csv'].get.security).toEqual([{ session: [] }, { token: ['export'] }]);
  });

  test('OpenAPI 3.1: every operation has an answer and a problem, and every reference resolves', () => {
    const document = JSON.parse(openApiText());
    expect(document.openapi).toBe('3.1.0');
    const operations = Object.values(document.paths).flatMap((path) => Object.values(path as object));
    expect(operations).toHaveLength(Object.keys(OPERATIONS).length);
    // What any can be answered: asked of another host, a fault, a database that is away.
    for (const { responses } of operations)
      expect(Object.keys(responses)).toEqual(expect.arrayContaining(['200', '404', '421', '500', '503']));
    for (const [, kind, name] of openApiText().matchAll(/"#\/components\/(schemas|responses)\/([^"]+)"/g))
      expect(Object.keys(document.components[kind as string])).toContain(name);
  });
});

test('a job’s number is read in four digits', () => {
  expect([jobNumberText(7), jobNumberText(142), jobNumberText(12_345)]).toEqual(['0007', '0142', '12345']);
});

test('docs/rights.md is what the operations and `may` say: run npm run rights after a change', () => {
  expect(readFileSync('docs/rights.md', 'utf8')).toBe(rightsText());
});
