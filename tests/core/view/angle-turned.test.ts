import { describe, expect, test } from 'vitest';
import { TORQUE_TO_ANGLE } from '#core/joint/kinds/torque-to-angle.ts';
import { audit } from '#core/ledger/audit.ts';
import { pullRows } from '#core/ledger/pull-rows.ts';
import { jobStatement3 } from '#core/ledger/statement-3.ts';
import { SIXTH_DEGREES, type TurnMethod, turnOutcome, writtenDegreesSchema } from '#core/turn/turn.ts';
import { fastenerAt } from '#core/view/bench.ts';
import { openSteps } from '#core/view/due-steps.ts';
import { nextAction } from '#core/view/next-action.ts';
import { comingPositions, isReadyToSign } from '#core/view/open-items.ts';
import { SampleJob } from '../job/sample-job.ts';
import { LARGE, planOf, sampleGroup } from '../job/sample-joints.ts';

const KIND = {
  ...TORQUE_TO_ANGLE,
  steps: TORQUE_TO_ANGLE.steps.filter(({ act }) => act.kind === 'confirm').slice(0, 3),
};
const bolts = (printed: readonly string[]) =>
  new SampleJob(
    planOf(
      sampleGroup(
        'A',
        KIND,
        printed.map((each) => ({ printed: each })),
      ),
    ),
  ).ready(LARGE);
const turn = (position: string, degrees: number, step = 0, method: TurnMethod = 'read') =>
  ({
    kind: 'angle-turned',
    body: {
      position,
      step,
      turned: { text: String(degrees), value: degrees, unit: '°' },
      method,
      askedDegrees: 1,
      toleranceDegrees: 1,
      outcome: 'in',
    },
  }) as const;
const code = (result: { ok: boolean; refusal?: unknown }) =>
  (result as { refusal?: { code: string } }).refusal?.code;
/** Both passes of a job of bolts, up to the torque that the angle begins from. */
const torqued = (printed: readonly string[]) => {
  const job = bolts(printed);
  for (let pass = 1; pass <= 2; pass += 1)
    for (const { planned } of job.state.fasteners) job.pull(planned.position);
  return job;
};

describe('an angle held against the one that was asked', () => {
  test.each([
    [90, 85, 'read', 'in'],
    [90, 84.9, 'read', 'low'],
    [90, 95, 'live', 'in'],
    [90, 95.1, 'live', 'high'],
    // Two flats are 120°: half a flat either way of a third of a turn.
    [120, 2 * SIXTH_DEGREES, 'sixths', 'in'],
    [90, 2 * SIXTH_DEGREES, 'sixths', 'in'],
    [90, SIXTH_DEGREES, 'sixths', 'in'],
    [180, 2 * SIXTH_DEGREES, 'sixths', 'low'],
    [90, 3 * SIXTH_DEGREES, 'sixths', 'high'],
  ] as const)('%f asked, %f turned, %s: %s', (asked, turned, method, outcome) => {
    expect(turnOutcome(asked, turned, method)).toBe(outcome);
  });
});

describe('torque, then angle', () => {
  test('the torque is only where the angle begins: all are torqued, then each is turned, in their order', () => {
    const job = torqued(['20 Nm + 90°', '20 Nm + 90°']);
    expect(job.state.fasteners.map(({ status }) => status)).toEqual(['reached', 'reached']);
    expect(isReadyToSign(job.state)).toBe(false);
    expect(comingPositions(job.state, null)).toEqual(['1', '2']);
    expect(nextAction(job.state, '1')).toMatchObject({ kind: 'turn', due: { step: 0, of: 1, degrees: 90 } });
    job.happen(turn('1', 92));
    expect(job.status('1')).toBe('in');
    expect(comingPositions(job.state, '1')).toEqual(['2']);
    job.happen(turn('2', 88));
    expect(isReadyToSign(job.state)).toBe(true);
    expect(audit(job.chain())).toEqual([]);
  });

  test('what it came to is decided, and not what a device says of it', () => {
    const job = torqued(['20 Nm + 90°']);
    job.happen(turn('1', 60));
    expect(job.events.at(-1)?.body).toMatchObject({ askedDegrees: 90, toleranceDegrees: 5, outcome: 'low' });
    // Short of it, it is turned on.
    expect(nextAction(job.state, '1').kind).toBe('turn');
    job.happen(turn('1', 90));
    expect(job.status('1')).toBe('in');
  });

  test('two angles are two steps', () => {
    const job = torqued(['20 Nm + 90° + 45°']);
    expect(nextAction(job.state, '1')).toMatchObject({ due: { step: 0, of: 2, degrees: 90 } });
    job.happen(turn('1', 90));
    expect(job.status('1')).toBe('reached');
    expect(nextAction(job.state, '1')).toMatchObject({ due: { step: 1, of: 2, degrees: 45 } });
    job.happen(turn('1', 45, 1));
    expect(job.status('1')).toBe('in');
  });

  test('turned too far, it is put right, and begun again from its torque', () => {
    const job = torqued(['20 Nm + 90°']);
    job.happen(turn('1', 130));
    expect(fastenerAt(job.state, '1')).toMatchObject({ status: 'high', isPastLimit: true });
    job.mend('1');
    expect(fastenerAt(job.state, '1')).toMatchObject({ pass: 0, turned: 0 });
    job.pull('1').pull('1').happen(turn('1', 90));
    expect(job.status('1')).toBe('in');
    expect(audit(job.chain())).toEqual([]);
  });

  test('before its torque, twice, and where none is asked, it is refused', () => {
    const job = bolts(['20 Nm + 90°', '20 Nm']);
    expect(code(job.try(turn('1', 90)))).toBe('angle-not-due');
    expect(code(job.try(turn('2', 90)))).toBe('angle-not-asked');
    expect(code(job.try(turn('1', 90, 1)))).toBe('angle-not-asked');
    expect(code(job.try(turn('9', 90)))).toBe('unknown-position');
    const done = torqued(['20 Nm + 90°']);
    done.happen(turn('1', 90));
    expect(code(done.try(turn('1', 90)))).toBe('angle-not-due');
  });

  test('a pull that is voided takes its angle with it', () => {
    const job = torqued(['20 Nm + 90°']);
    job.happen(turn('1', 90));
    job.happen({ kind: 'pull-voided', body: { pullId: job.state.lastPull?.eventId ?? '', why: 'slipped' } });
    expect(fastenerAt(job.state, '1')).toMatchObject({ status: 'voided', turned: 0 });
  });

  test('under rules 3 a requirement with an angle is no job’s', () => {
    const plan = planOf(sampleGroup('A', KIND, [{ printed: '20 Nm + 90°' }]));
    expect(() => new SampleJob({ ...plan, rules: 3 })).toThrow(/angle-not-recordable/);
    const snug = planOf(sampleGroup('A', KIND, [{ printed: 'snug + 60°' }]));
    expect(() => new SampleJob({ ...snug, rules: 3 })).toThrow(/angle-not-recordable/);
  });
});

describe('from snug, and by the other part', () => {
  const snugged = (position: string) => ({ kind: 'finger-tightened', body: { position } }) as const;

  test('made snug, then turned: no tool, no torque, as required once the angle is', () => {
    const job = bolts(['snug + 60°', 'snug + 60°']);
    expect(nextAction(job.state, '1')).toMatchObject({ kind: 'finger-tighten', isSnug: true });
    expect(code(job.try(turn('1', 60)))).toBe('angle-not-due');
    job.happen(snugged('1'));
    expect(fastenerAt(job.state, '1')?.status).toBe('reached');
    expect(nextAction(job.state, '1')).toMatchObject({ kind: 'turn', due: { step: 0, of: 1, degrees: 60 } });
    job.happen(turn('1', 1 * SIXTH_DEGREES, 0, 'sixths'));
    expect(fastenerAt(job.state, '1')).toMatchObject({ status: 'in', pulls: [], turns: [{ outcome: 'in' }] });
    job.happen(snugged('2'));
    job.happen(turn('2', 70));
    expect(nextAction(job.state, '2')).toMatchObject({ kind: 'loosen' });
    expect(audit(job.chain())).toEqual([]);
  });

  test('digits that say another angle than the value are no angle', () => {
    for (const [text, value] of [
      ['999', 90],
      ['90', 999],
      ['90', 90.5],
      ['', 90],
      ['-90', -90],
    ] as const)
      expect(writtenDegreesSchema.safeParse({ text, value, unit: '°' }).success).toBe(false);
    expect(writtenDegreesSchema.safeParse({ text: '88.5', value: 88.5, unit: '°' }).success).toBe(true);
  });

  test('the record states every turn, and so does the table of pulls', () => {
    const job = torqued(['20 Nm + 90°']);
    job.happen(turn('1', 60));
    job.happen(turn('1', 92));
    const { fasteners } = jobStatement3(job.state, [], []);
    expect(fasteners[0]).toMatchObject({ turns: [{ outcome: 'low' }, { outcome: 'in', askedDegrees: 90 }] });
    const rows = pullRows(job.state, job.chain());
    expect(rows.slice(-2)).toMatchObject([
      { method: 'angle read', reading: '60', unit: '°', verdict: 'low' },
      { method: 'angle read', reading: '92', unit: '°', verdict: 'in' },
    ]);
    expect(new Set(rows.map((row) => Object.keys(row).join())).size).toBe(1);
    expect(fasteners[0]).not.toHaveProperty('device');
  });

  test('a check that asks for the angle is answered by the angle turned', () => {
    const whole = {
      ...TORQUE_TO_ANGLE,
      steps: TORQUE_TO_ANGLE.steps.filter(({ stage }) => stage !== 'prepare'),
    };
    const job = new SampleJob(
      planOf(sampleGroup('A', whole, [{ printed: '22 Nm + 90°' }, { printed: '22 Nm' }])),
    ).ready(LARGE);
    for (let pass = 1; pass <= 2; pass += 1) job.pull('1').pull('2');
    // The one without a printed angle is asked how far it was turned.
    expect(nextAction(job.state, '2')).toMatchObject({ kind: 'step', due: { step: { id: 'turned-on' } } });
    job.happen(turn('1', 90));
    expect(openSteps(job.state).map(({ of }) => of)).toEqual(['2']);
  });
});
