import { describe, expect, test } from 'vitest';
import { BUSBAR } from '#core/joint/kinds/busbar.ts';
import { COLLET_NUT } from '#core/joint/kinds/collet-nut.ts';
import { CONTROL_CABINET } from '#core/joint/kinds/control-cabinet.ts';
import { audit } from '#core/ledger/audit.ts';
import { openMakeSafe, openSteps } from '#core/view/due-steps.ts';
import { nextAction } from '#core/view/next-action.ts';
import { LEAD, SampleJob, stepOf } from '../job/sample-job.ts';
import { LARGE, planOf, sampleGroup } from '../job/sample-joints.ts';

const cabinet = () =>
  new SampleJob(planOf(sampleGroup('A', CONTROL_CABINET, [{ printed: '2 Nm' }, { printed: '2 Nm' }])));
const at = (step: string) => ({ group: null, step, of: null, afterPass: null });
const volts = (step: string, text: string, instrument = 'VT-02') =>
  ({
    ...at(step),
    result: { kind: 'measured', measure: { text, value: Number(text), unit: 'V' }, instrument },
  }) as const;
const due = (job: SampleJob) => openMakeSafe(job.state).map(({ step }) => step.id);
const code = (result: { ok: boolean; refusal?: unknown }) =>
  (result as { refusal?: { code: string } }).refusal?.code;
const passOver = (job: SampleJob) => job.step({ ...at('discharged'), result: { kind: 'left', why: '' } });
const ROW = ['tester-proved-before', 'tested-dead', 'tester-proved-after'];

describe('proved dead: the tester proved, dead, the tester proved again', () => {
  test('each in its turn, and nothing is pulled before the last', () => {
    const job = cabinet().ready();
    expect(due(job)).toEqual([...ROW, 'discharged', 'stored-energy']);
    expect(nextAction(job.state, '1')).toMatchObject({ kind: 'step', due: { step: { id: ROW[0] } } });
    job.step(volts('tester-proved-before', '231'));
    expect(nextAction(job.state, '1')).toMatchObject({ due: { step: { id: 'tested-dead' } } });
    job.step(volts('tested-dead', '0.4'));
    expect(code(job.judge('1'))).toBe('step-first');
    job.step(volts('tester-proved-after', '229'));
    expect(due(job)).toEqual(['discharged', 'stored-energy']);
    passOver(job).step(volts('stored-energy', '2'));
    expect(due(job)).toEqual([]);
    job.pull('1').pull('2');
    expect(job.state.fasteners.map(({ status }) => status)).toEqual(['in', 'in']);
    expect(audit(job.chain())).toEqual([]);
  });

  test.each([
    ['the tester shows nothing where there is something', [volts(ROW[0] as string, '49.9')]],
    ['not dead', [volts(ROW[0] as string, '231'), volts('tested-dead', '5.1')]],
    [
      'the tester died in between',
      [volts(ROW[0] as string, '231'), volts('tested-dead', '0'), volts('tester-proved-after', '0')],
    ],
    [
      'the second proof is of another source',
      [volts(ROW[0] as string, '231'), volts('tested-dead', '0'), volts('tester-proved-after', '207')],
    ],
    ['out of turn', [volts('tested-dead', '0')]],
    ['the first again begins anew', [volts('tester-proved-after', '230'), volts('tested-dead', '0')]],
  ])('%s: the row begins again', (_, steps) => {
    const job = cabinet().ready();
    for (const each of steps) job.step(each);
    expect(due(job).slice(0, 3)).toEqual(ROW);
    // What broke it is said where it begins again, until it is begun.
    const first = () => openMakeSafe(job.state)[0]?.inRow;
    expect(first()).toMatchObject({ done: 0, of: 3, brokenBy: { step: steps.at(-1)?.step } });
    job.step(volts('tester-proved-before', '231'));
    expect(first()).toMatchObject({ done: 1, brokenBy: null, instrument: 'VT-02' });
  });

  test('a second proof that differs by a tenth agrees; by more it does not', () => {
    const job = cabinet().ready().step(volts('tester-proved-before', '230')).step(volts('tested-dead', '0'));
    job.step(volts('tester-proved-after', '207'));
    expect(due(job)).toEqual(['discharged', 'stored-energy']);
  });

  test('another tester in the middle is refused, and proves nothing where it was done', () => {
    const job = cabinet().ready().step(volts('tester-proved-before', '231'));
    const other = stepOf(volts('tested-dead', '0', 'VT-09'));
    expect(code(job.try(other))).toBe('instrument-differs');
    expect(due(job)).toEqual([...ROW.slice(1), 'discharged', 'stored-energy']);
  });

  test('measured again from the first, the row is done again whole', () => {
    const job = cabinet().ready();
    for (const [step, text] of [
      ['tester-proved-before', '231'],
      ['tested-dead', '0'],
      ['tester-proved-after', '230'],
      ['tester-proved-before', '231'],
    ] as const)
      job.step(volts(step, text));
    expect(due(job).slice(0, 2)).toEqual(ROW.slice(1));
  });

  test('once for the job, whichever of its groups asks for it, and before every group', () => {
    const plan = planOf(
      sampleGroup('A', COLLET_NUT, [{ printed: '38 Nm' }]),
      sampleGroup('B', CONTROL_CABINET, [{ printed: '38 Nm' }], 2),
      sampleGroup('C', BUSBAR, [{ printed: '38 Nm' }], 3),
    );
    const job = new SampleJob(plan).ready(LARGE);
    expect(due(job)).toEqual([...ROW, 'discharged', 'stored-energy']);
    expect(nextAction(job.state, '1')).toMatchObject({ due: { group: null, step: { id: ROW[0] } } });
  });

  test('ticked off as a caution it is done under rules 3, and never since', () => {
    const ticked = (rules: number) => {
      const plan = { ...planOf(sampleGroup('A', CONTROL_CABINET, [{ printed: '2 Nm' }])), rules };
      const job = new SampleJob(plan);
      job.happen({
        kind: 'cautions-confirmed',
        body: { cautions: CONTROL_CABINET.steps.map(({ id }) => id) },
      });
      return due(job);
    };
    expect(ticked(3)).toEqual([]);
    expect(ticked(4)).toEqual([...ROW, 'discharged', 'stored-energy']);
  });

  test('a lead leaves it with a reason, and nobody else', () => {
    const job = cabinet().ready();
    const left = stepOf({
      ...at('tester-proved-before'),
      result: { kind: 'left', why: 'no supply is connected yet' },
    });
    expect(code(job.try(left))).toBe('role-may-not');
    job.happen(left, LEAD);
    expect(nextAction(job.state, '1')).toMatchObject({ due: { step: { id: 'tested-dead' } } });
    // What comes after it has nothing to agree with, and is no dead end.
    job.step(volts('tested-dead', '0')).step(volts('tester-proved-after', '230'));
    expect(due(job)).toEqual(['discharged', 'stored-energy']);
  });

  test('pulled all the same, it is objected to and still due at the end', () => {
    const job = cabinet().ready();
    for (const each of ['tester-proved-before', 'tested-dead', 'tester-proved-after'])
      job.step(volts(each, each === 'tested-dead' ? '0' : '230'));
    passOver(job).step(volts('stored-energy', '2')).pull('1');
    job.step(volts('tester-proved-before', '12'));
    expect(openSteps(job.state).map(({ step }) => step.id)).toEqual(ROW);
  });
});

describe('a wait', () => {
  const safe = () => {
    const job = cabinet().ready();
    job.step(volts('tester-proved-before', '230')).step(volts('tested-dead', '0'));
    return job.step(volts('tester-proved-after', '230'));
  };
  const waited = stepOf({ ...at('discharged'), result: { kind: 'waited' } });

  test('counts from when it was begun, by the record and not by the page', () => {
    const job = safe();
    expect(code(job.try(waited))).toBe('wait-not-begun');
    job.happen({ kind: 'wait-begun', body: at('discharged') });
    const begun = job.state.begunWaits.values().next().value;
    expect(nextAction(job.state, '1')).toMatchObject({ due: { since: begun?.at } });
    expect(nextAction(job.refolded(), '1')).toMatchObject({ due: { since: begun?.at } });
    job.wait(4);
    expect(job.try(waited)).toMatchObject({ refusal: { code: 'wait-not-over', minutesLeft: 1 } });
    job.wait(1).happen(waited);
    expect(job.state.steps.at(-1)).toMatchObject({ isGood: true });
    expect(job.state.steps.at(-1)?.waitedMinutes).toBeCloseTo(5.33, 1);
  });

  test('begun again counts from then; what is no wait is not begun', () => {
    const job = safe();
    job.happen({ kind: 'wait-begun', body: at('discharged') });
    job.wait(4).happen({ kind: 'wait-begun', body: at('discharged') });
    job.wait(2);
    expect(code(job.try(waited))).toBe('wait-not-over');
    expect(code(job.try({ kind: 'wait-begun', body: at('stored-energy') }))).toBe('step-misdone');
    expect(code(job.try({ kind: 'wait-begun', body: at('nothing') }))).toBe('step-unknown');
  });
});
