import { describe, expect, test } from 'vitest';
import { lifted } from '#core/event/lifted.ts';
import { audit } from '#core/ledger/audit.ts';
import { partEvents } from '#core/ledger/part-events.ts';
import { REMEDY_ACTS, remedyAfter, remedyFor, TROUBLES } from '#core/remedy/trouble.ts';
import { fastenerAt } from '#core/view/bench.ts';
import { stepsAfter, stepsBefore } from '#core/view/due-steps.ts';
import { nextAction } from '#core/view/next-action.ts';
import { handedOver } from '#core/view/notes.ts';
import { isReadyToSign, unexplainedItems } from '#core/view/open-items.ts';
import { INSPECTOR, LEAD, SampleJob, samplePlan, TECHNICIAN } from '../job/sample-job.ts';
import { colletPlan, LARGE } from '../job/sample-joints.ts';

const code = (result: { ok: boolean; refusal?: unknown }) =>
  (result as { refusal?: { code: string } }).refusal?.code;
const kindAt = (job: SampleJob, position = '1') => nextAction(job.state, position).kind;
const met = (job: SampleJob, trouble: (typeof TROUBLES)[number], position = '1') =>
  job.happen({ kind: 'trouble-met', body: { position, trouble, note: '' } });
const singleUse = () => {
  const plan = samplePlan(['20 to 24 in-lb']);
  return { ...plan, fasteners: plan.fasteners.map((each) => ({ ...each, isSingleUse: true })) };
};

describe('what went wrong is led through', () => {
  // Loosened, looked at, replaced where it is spent: common practice.
  test.each([
    ['low', false, []],
    ['high', false, ['loosen', 'inspect']],
    ['high', true, ['loosen', 'inspect', 'replace']],
    ['over-shot', true, ['loosen', 'inspect', 'replace']],
    ['early-click', true, ['loosen', 'inspect']],
    ['no-click', false, ['loosen', 'inspect']],
    ['stripped', false, ['loosen', 'replace']],
    ['cross-threaded', true, ['loosen', 'inspect', 'replace']],
    ['insert-spins', false, ['loosen', 'replace']],
  ] as const)('%s, used once %s: %j', (trouble, isSingleUse, left) => {
    expect(remedyFor(trouble, { isSingleUse })?.left ?? []).toEqual(left);
    const job = new SampleJob(isSingleUse ? singleUse() : undefined).ready().pull('1');
    met(job, trouble);
    for (const act of left) {
      expect(kindAt(job)).toBe(act);
      expect(code(job.judge('1'))).toBe('remedy-first');
      job.happen(
        act === 'loosen'
          ? { kind: 'fastener-loosened', body: { position: '1' } }
          : act === 'inspect'
            ? { kind: 'fastener-inspected', body: { position: '1', isGood: true, note: '' } }
            : { kind: 'fastener-replaced', body: { position: '1', why: 'spent' } },
      );
    }
    expect(['pull', 'set-tool']).toContain(kindAt(job));
    // Low is brought up from where it is; everything else is open again.
    expect(job.status('1')).toBe(trouble === 'low' ? 'in' : 'open');
    expect(job.pull('1').status('1')).toBe('in');
    expect(audit(job.chain())).toEqual([]);
  });

  test('every trouble leads to an end, in the order of the acts, whatever is found', () => {
    for (const trouble of TROUBLES)
      for (const isSingleUse of [true, false]) {
        let remedy = remedyFor(trouble, { isSingleUse });
        const done: string[] = [];
        for (let at = 0; remedy && at < 10; at += 1) {
          const [act] = remedy.left;
          if (!act) break;
          done.push(act);
          remedy = remedyAfter(remedy, act, false);
        }
        expect(remedy).toBeNull();
        expect(done).toEqual(REMEDY_ACTS.filter((act) => done.includes(act)));
      }
  });

  test('one that went past is led by itself, and one looked at and not good is replaced', () => {
    const job = new SampleJob().ready().pull('1', 'over-shot');
    expect(fastenerAt(job.state, '1')?.remedy).toEqual({ trouble: 'over-shot', left: ['loosen', 'inspect'] });
    job.happen({ kind: 'fastener-loosened', body: { position: '1' } });
    const bad = (note: string) =>
      ({ kind: 'fastener-inspected', body: { position: '1', isGood: false, note } }) as const;
    expect(code(job.try(bad(' ')))).toBe('why-missing');
    job.happen(bad('stretched'));
    expect(kindAt(job)).toBe('replace');
    job.happen({ kind: 'fastener-replaced', body: { position: '1', why: 'stretched' } });
    expect(job.status('1')).toBe('open');
    expect(fastenerAt(job.state, '1')?.pulls).toHaveLength(1);
  });

  test('a reading above is led too; under rules 3 it was only loosened', () => {
    const newer = new SampleJob().ready().pull('1', 'reading', '25.5');
    expect(fastenerAt(newer.state, '1')?.remedy?.trouble).toBe('high');
    const older = new SampleJob(['20 to 24 in-lb'], {}, 3).ready().pull('1', 'reading', '25.5');
    expect(fastenerAt(older.state, '1')?.remedy).toBeNull();
    older.happen({ kind: 'fastener-loosened', body: { position: '1' } });
    expect(older.pull('1').status('1')).toBe('in');
  });

  test('a pull before it is put right is recorded, and objected to', () => {
    const job = new SampleJob().ready().pull('1', 'over-shot');
    const { body } = job.events.at(-1) as { body: object };
    job.happen({ kind: 'pull-made', body: { ...body, seenPulls: 1 } as never });
    const objections = fastenerAt(job.state, '1')?.pulls.at(-1)?.body.objections;
    expect(objections?.map((each) => each.code)).toEqual(['loosen-first', 'remedy-left']);
    expect(unexplainedItems(job.state).map(({ position }) => position)).toContain('1');
  });

  test('voided, what it asked for is gone with it', () => {
    const job = new SampleJob().ready().pull('1', 'over-shot');
    job.happen({
      kind: 'pull-voided',
      body: { pullId: job.state.lastPull?.eventId ?? '', why: 'wrong key' },
    });
    expect(fastenerAt(job.state, '1')?.remedy).toBeNull();
  });

  test('before the first pull it is backed out as well', () => {
    const job = new SampleJob().ready();
    met(job, 'cross-threaded');
    job.happen({ kind: 'fastener-loosened', body: { position: '1' } });
    expect(kindAt(job)).toBe('inspect');
    expect(audit(job.chain())).toEqual([]);
  });

  test('nothing of it happens at a position that is not there', () => {
    const job = new SampleJob().ready();
    const position = '99';
    for (const happening of [
      { kind: 'trouble-met', body: { position, trouble: 'low', note: '' } },
      { kind: 'fastener-inspected', body: { position, isGood: true, note: '' } },
      { kind: 'fastener-replaced', body: { position, why: 'spent' } },
      { kind: 'note-made', body: { position, text: 'x', isHandOver: false, picture: null } },
    ] as const)
      expect(code(job.try(happening))).toBe('unknown-position');
    const silent = { kind: 'fastener-replaced', body: { position: '1', why: ' ' } } as const;
    expect(code(job.try(silent))).toBe('why-missing');
  });
});

describe('a part that is scrapped', () => {
  const good = { kind: 'inspected', isGood: true, note: '' } as const;
  const scratched = { kind: 'inspected', isGood: false, note: 'ring scratch' } as const;
  const inspected = (of: string, result: typeof good | typeof scratched) =>
    ({ group: 'A', step: 'collet-inspected', of, afterPass: null, result }) as const;
  const scrap = (part: string, replacement: string | null) =>
    ({
      kind: 'part-scrapped',
      body: {
        group: 'A',
        part,
        why: 'ring scratch',
        replacement: replacement && { code: replacement, name: 'collet', isIrreplaceable: false },
      },
    }) as never;
  const begun = () => new SampleJob(colletPlan()).ready(LARGE).step(inspected('KC-1', scratched));

  test('gives its place to another, which is prepared from the start', () => {
    const job = begun();
    job.happen(scrap('KC-1', 'KC-7'));
    expect(job.state.plan.groups[0]?.parts.map(({ code: each }) => each)).toEqual(['KC-7']);
    expect(fastenerAt(job.state, '1')?.planned.part).toBe('KC-7');
    expect(nextAction(job.state, '1')).toMatchObject({
      kind: 'step',
      due: { of: 'KC-7', last: null, step: { id: 'collet-inspected' } },
    });
    expect(audit(job.chain())).toEqual([]);
  });

  test('what was measured with the old one is measured again with the new one', () => {
    const job = begun().step(inspected('KC-1', good));
    const at = (step: string) => ({ group: 'A', step, of: '1', afterPass: null }) as const;
    const mm = (step: string, text: string) =>
      ({
        ...at(step),
        result: {
          kind: 'measured',
          measure: { text, value: Number(text), unit: 'mm' },
          instrument: 'DR-1',
        },
      }) as const;
    job.step({ group: 'A', step: 'seats-clean', of: null, afterPass: null, result: { kind: 'confirmed' } });
    job.step({ ...at('snapped-in'), result: { kind: 'confirmed' } });
    job
      .step(mm('insertion-depth', '4.0'))
      .step(mm('flutes-out', '2.0'))
      .pull('1')
      .step(mm('runout', '0.005'));
    const due = () => {
      const fastener = fastenerAt(job.state, '1');
      if (!fastener) return [];
      return [...stepsBefore(job.state, fastener), ...stepsAfter(job.state, fastener)].map(
        ({ step }) => step.id,
      );
    };
    expect(due()).toEqual([]);
    // Loosened, it is no longer what was checked; how it was prepared stays.
    job.happen({ kind: 'fastener-loosened', body: { position: '1' } });
    job.pull('1');
    expect(due()).toEqual(['runout']);
    job.step(mm('runout', '0.005'));
    job.happen(scrap('KC-1', 'KC-7'));
    expect(due()).toEqual(['collet-inspected', 'snapped-in', 'insertion-depth', 'flutes-out']);
    expect(job.state.steps.filter(({ step }) => step === 'insertion-depth')).toHaveLength(1);
    expect(audit(job.chain())).toEqual([]);
  });

  test('with nothing to take its place, what it holds is left open with the reason', () => {
    const job = begun();
    job.happen(scrap('KC-1', null));
    expect(fastenerAt(job.state, '1')?.leftOpen).toMatchObject({ why: 'ring scratch' });
    expect(isReadyToSign(job.state)).toBe(true);
  });

  test('its history says so, and keeps what was done on it; the other one’s begins', () => {
    const job = begun();
    job.happen(scrap('KC-1', 'KC-7'));
    job.step(inspected('KC-7', good));
    job.happen(scrap('KC-7', 'KC-8'));
    const touched = partEvents(job.chain().map(lifted), job.refolded());
    expect(touched.map(({ code: each, body }) => [each, body.kind])).toEqual([
      ['KC-1', 'planned'],
      ['KC-1', 'step'],
      ['KC-1', 'scrapped'],
      ['KC-7', 'planned'],
      ['KC-7', 'step'],
      ['KC-7', 'scrapped'],
      ['KC-8', 'planned'],
    ]);
  });

  test('a step done on the nut stands in the history of the collet it held then', () => {
    const job = begun().step(inspected('KC-1', good));
    const snapped = {
      group: 'A',
      step: 'snapped-in',
      of: '1',
      afterPass: null,
      result: { kind: 'confirmed' },
    } as const;
    job.step(snapped);
    job.happen(scrap('KC-1', 'KC-7'));
    job.happen(scrap('KC-7', 'KC-8'));
    job.step(snapped);
    const steps = partEvents(job.chain().map(lifted), job.refolded()).filter(
      ({ body }) => body.kind === 'step',
    );
    expect(steps.map(({ code: each }) => each)).toEqual(['KC-1', 'KC-1', 'KC-1', 'KC-8']);
  });

  test.each([
    ['part-unknown', scrap('KC-2', 'KC-7')],
    ['part-repeated', scrap('KC-1', 'KC-1')],
    [
      'group-unknown',
      { kind: 'part-scrapped', body: { group: 'Z', part: 'KC-1', why: 'x', replacement: null } },
    ],
    [
      'why-missing',
      { kind: 'part-scrapped', body: { group: 'A', part: 'KC-1', why: '  ', replacement: null } },
    ],
  ])('%s', (refusal, happening) => {
    expect(code(begun().try(happening as never))).toBe(refusal);
  });
});

describe('notes', () => {
  const note = (text: string, isHandOver = false) =>
    ({ kind: 'note-made', body: { position: null, text, isHandOver, picture: null } }) as const;

  test('stand in the order they were made, and strike no signature', () => {
    const job = new SampleJob().ready().pullAll().signBoth();
    job.happen(note('door rubs'));
    expect(job.state.notes.map(({ text, person }) => [text, person.name])).toEqual([['door rubs', 'Tam']]);
    expect(job.state.signatures.length).toBe(2);
    expect(code(job.try(note('  ')))).toBe('note-empty');
  });

  test('the last hand-over is for everybody but who wrote it', () => {
    const job = new SampleJob().ready();
    expect(handedOver(job.state, TECHNICIAN)).toBeNull();
    job.happen(note('terminal 3 waits for a ferrule', true));
    job.happen(note('battery flat', true), LEAD);
    job.happen(note('only a note'));
    expect(handedOver(job.state, TECHNICIAN)?.text).toBe('battery flat');
    expect(handedOver(job.state, INSPECTOR)?.text).toBe('battery flat');
    expect(handedOver(job.state, LEAD)).toBeNull();
  });
});
