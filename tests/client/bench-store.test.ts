import { describe, expect, test, vi } from 'vitest';
import { benchAt } from '#client/job/bench-state.ts';
import { type BenchStore, benchStore } from '#client/job/bench-store.ts';
import { storeOf } from '#client/store.ts';
import { againstReading } from '#core/command/device-pull.ts';
import type { CurveFacts } from '#core/device/curve-facts.ts';
import type { DeviceReading } from '#core/device/device-feed.ts';
import type { JobHappening } from '#core/event/event.ts';
import { valueOrThrow } from '#core/fault.ts';
import type { JobPlan } from '#core/job/plan.ts';
import type { JointKind } from '#core/joint/joint-kind.ts';
import { TORQUE_TO_ANGLE } from '#core/joint/kinds/torque-to-angle.ts';
import type { Person } from '#core/people/person.ts';
import { accepted } from '#core/result.ts';
import { fastenerAt } from '#core/view/bench.ts';
import { LEAD, SAMPLE_CABINET, SampleJob, TECHNICIAN, TOOL } from '../core/job/sample-job.ts';
import { colletPlan, LARGE, planOf, ringPlan, SMALL, sampleGroup } from '../core/job/sample-joints.ts';
import { eventually } from './eventually.ts';

/** A clock on which a person waits a second between two pulses. */
const patient = (): (() => number) => {
  let ms = 0;
  return () => {
    ms += 1000;
    return ms;
  };
};

/** A bench over a sample job, whose store the sample stands in for. */
const benchOn = (job: SampleJob, person = TECHNICIAN) => {
  const effects = { verdict: vi.fn(), go: vi.fn(), nowMs: patient() };
  const store = benchStore(
    {
      snapshot: () => ({ view: job.state, isReady: true }) as never,
      happen: (happening: JobHappening) => {
        const tried = job.try(happening, person);
        return tried.ok ? accepted(job.happen(happening, person)) : tried;
      },
    },
    effects,
  );
  const at = () => benchAt(job.state, store.snapshot());
  const type = (digits: string) => [...digits].forEach(store.type);
  return { store, effects, at, type, job };
};
const ready = (plan?: JobPlan, tool = TOOL, person = TECHNICIAN) =>
  benchOn(new SampleJob(plan).ready(tool), person);

describe('the large action', () => {
  test('sets, pulls, and goes on to the next', () => {
    const { store, at, effects } = ready();
    expect(at()).toMatchObject({ position: '1', action: { kind: 'set-tool' } });
    store.doMain();
    expect(at().action.kind).toBe('pull');
    store.doMain();
    expect(at()).toMatchObject({ position: '2', lastPull: { fastener: { status: 'in' } } });
    expect(effects.verdict).toHaveBeenCalledWith(true);
  });

  test('asks for the cautions, and sends to the plan for a tool', () => {
    const { store, effects } = benchOn(new SampleJob());
    store.doMain();
    expect(effects.go).toHaveBeenCalledWith(expect.stringContaining('/plan'));
    const job = new SampleJob();
    job.happen({
      kind: 'tool-chosen',
      body: { tool: TOOL, adapters: [], blocks: [], override: null, groups: null, isBeside: false },
    });
    const bench = benchOn(job);
    bench.store.doMain();
    expect(bench.store.snapshot().question).toBe('make-safe');
  });

  test('one that is out stays in front until it is mended', () => {
    const { store, at } = ready();
    store.doMain();
    store.pull('over-shot', null);
    expect(at()).toMatchObject({ position: '1', action: { kind: 'loosen' } });
    store.doMain();
    expect(at().action.kind).toBe('inspect');
    store.doMain();
    expect(at().action.kind).toBe('pull');
  });

  test('at the end it goes to the signatures', () => {
    const { store, effects, job } = ready();
    job.pullAll();
    store.doMain();
    expect(job.events.at(-1)).toMatchObject({
      kind: 'tools-wound-down',
      body: { tools: [{ toolId: TOOL.id, setting: { text: '5', unit: 'lbf.in' } }] },
    });
    store.doMain();
    expect(effects.go).toHaveBeenCalledWith(expect.stringContaining('/sign'));
  });
});

describe('digits', () => {
  test('are a reading in the tool’s unit, and a likely mix-up is asked about', () => {
    const { store, at, type } = ready();
    store.doMain();
    type('2.49');
    store.recordTyped();
    expect(store.snapshot().refusal?.code).toBe('mix-up-question');
    expect(at().fastener?.pulls).toEqual([]);
    store.letStand();
    expect(fastenerAt(ready().job.state, '1')).toBeDefined();
    expect(at().fastener?.status).toBe('low');
  });

  test('can be taken back, and are bounded', () => {
    const { store, type } = ready();
    type('12');
    store.erase();
    expect(store.snapshot().typed).toBe('1');
    type('9'.repeat(200));
    expect(store.snapshot().typed.length).toBeLessThan(40);
    store.clear();
    expect(store.snapshot().typed).toBe('');
  });
});

describe('steps', () => {
  const collet = (person = TECHNICIAN) => {
    const bench = ready(colletPlan(), LARGE, person);
    bench.store.doMain(); // collet inspected
    bench.store.doMain(); // seats clean
    bench.store.doMain(); // snapped in
    return bench;
  };

  test('a nod does what needs no more; a measurement names its instrument', () => {
    const { store, at, type, job } = collet();
    expect(job.state.steps.map(({ step }) => step)).toEqual([
      'collet-inspected',
      'seats-clean',
      'snapped-in',
    ]);
    expect(at().action).toMatchObject({ kind: 'step', due: { step: { id: 'insertion-depth' } } });
    store.doMain();
    expect(job.state.steps).toHaveLength(3);
    type('4.2');
    store.recordTyped();
    expect(store.snapshot().refusal?.code).toBe('instrument-missing');
    store.holdInstrument('DR-1');
    store.recordTyped();
    expect(job.state.steps.at(-1)).toMatchObject({
      result: { measure: { text: '4.2', unit: 'mm' }, instrument: 'DR-1' },
      isGood: true,
    });
    // The next one is measured with the same.
    type('2');
    store.recordTyped();
    expect(at().action.kind).toBe('set-tool');
  });

  test('after the pull the bench stays for the runout, then goes on', () => {
    const { store, at, type } = collet();
    store.holdInstrument('DR-1');
    type('4.2');
    store.recordTyped();
    type('2.0');
    store.recordTyped();
    store.doMain();
    store.doMain();
    expect(at()).toMatchObject({ position: '1', action: { kind: 'step', due: { step: { id: 'runout' } } } });
    type('0.006');
    store.recordTyped();
    expect(at()).toMatchObject({ position: null, action: { kind: 'wind-down' } });
    store.doMain();
    expect(at()).toMatchObject({ position: null, action: { kind: 'sign' } });
  });

  test('one that is left needs a reason, and a lead, where something waits for it', () => {
    const { store } = collet();
    store.doStep({ kind: 'left', why: '' });
    expect(store.snapshot().refusal?.code).toBe('why-missing');
    store.doStep({ kind: 'left', why: 'no rule at hand' });
    expect(store.snapshot().refusal?.code).toBe('role-may-not');
    const { store: leads, job: theirs } = collet(LEAD);
    leads.doStep({ kind: 'left', why: 'no rule at hand' });
    expect(theirs.state.steps.at(-1)).toMatchObject({ result: { kind: 'left' } });
  });
});

describe('rounds', () => {
  test('a click in a round asks whether it turned, and records nothing until that is answered', () => {
    const { store, job, at } = ready(ringPlan(['0.42 ±0.04 Nm', '0.42 ±0.04 Nm']), SMALL);
    for (let guard = 0; guard < 40 && at().action.kind !== 'sign'; guard += 1) {
      const { action, fastener } = at();
      if (action.kind === 'step' && action.due.step.id === 'settled') {
        store.doMain();
        expect(store.snapshot().refusal?.code).toBe('wait-not-over');
        job.wait(240);
      }
      const isFirst = fastener?.planned.position === '1' && fastener.pass === 3;
      const before = job.events.length;
      store.doMain();
      if (store.snapshot().question !== 'did-it-turn') continue;
      expect(job.events).toHaveLength(before);
      store.sayTurned(isFirst);
    }
    const moved = job.state.fasteners.map(({ pulls }) => pulls.flatMap(({ body }) => body.moved ?? []));
    expect(moved).toEqual([
      [true, false],
      [false, false],
    ]);
    expect(at().action.kind).toBe('sign');
  });
});

describe('moving about', () => {
  test('arrows go round all fasteners', () => {
    const { store, at } = ready();
    store.move(-1);
    expect(at().position).toBe('3');
    store.move(1);
    expect(at().position).toBe('1');
  });
});

test('a store tells its listeners of another value, and of the same one not', () => {
  const store = storeOf(1);
  const heard = vi.fn();
  const stop = store.subscribe(heard);
  store.change(1);
  store.change(2);
  stop();
  store.change(3);
  expect(heard).toHaveBeenCalledTimes(1);
});

describe('what others do, and what a device can’t keep', () => {
  const EKO = { id: '0190a000-0000-7000-8000-0000000000e0', name: 'Eko', role: 'technician' } as const;

  const pulledBy = (job: SampleJob, person: Person, position: string): void => {
    job.setFor(position);
    job.happen({ kind: 'pull-made', body: valueOrThrow(job.judge(position)) }, person);
  };

  /** A bench of Tam's whose site can be looked at: `others` is what the look brings. */
  const watched = (others: (job: SampleJob) => void, more: object = {}) => {
    const job = new SampleJob().ready();
    const listeners = new Set<() => void>();
    const state = { isReady: true, storageProblem: null, refusedEntries: [] as object[], ...more };
    let looks = 0;
    const store = benchStore(
      {
        person: TECHNICIAN,
        snapshot: () => ({ ...state, view: job.state }) as never,
        happen: (happening: JobHappening) => {
          const tried = job.try(happening);
          return tried.ok ? accepted(job.happen(happening)) : tried;
        },
        look: () =>
          Promise.resolve().then(() => {
            looks += 1;
            if (looks === 1) others(job);
          }),
        subscribe: (listener) => {
          listeners.add(listener);
          return () => listeners.delete(listener);
        },
      },
      { verdict: vi.fn(), go: vi.fn(), nowMs: patient() },
    );
    store.watch();
    const news = (change: object = {}): void => {
      Object.assign(state, change);
      for (const listener of listeners) listener();
    };
    return { job, store, news };
  };
  const pulls = ({ job }: { job: SampleJob }, position: string) =>
    fastenerAt(job.state, position)?.pulls ?? [];

  test('another’s pull of the fastener in hand is shown before one’s own is recorded; both stay if one says so', async () => {
    const bench = watched((job) => {
      pulledBy(job, EKO, '1');
    });
    bench.store.doMain();
    bench.store.doMain();
    await eventually(() => expect(bench.store.snapshot().question).toBe('pulled-meanwhile'));
    expect(pulls(bench, '1').map(({ person }) => person.name)).toEqual(['Eko']);
    expect(bench.store.snapshot()).toMatchObject({ chosen: '1', meanwhile: { position: '1' } });
    bench.store.recordMineToo();
    expect(pulls(bench, '1').map(({ person }) => person.name)).toEqual(['Eko', 'Tam']);
    expect(bench.store.snapshot()).toMatchObject({ question: null, meanwhile: null });
  });

  test('one’s own is left out where it was not made', async () => {
    const bench = watched((job) => {
      pulledBy(job, EKO, '1');
    });
    bench.store.doMain();
    bench.store.doMain();
    await eventually(() => expect(bench.store.snapshot().question).toBe('pulled-meanwhile'));
    bench.store.ask(null);
    expect(pulls(bench, '1')).toHaveLength(1);
  });

  test('what one’s own hands pulled in another tab is done with here', () => {
    const bench = watched(() => {});
    bench.store.choose('1');
    bench.news();
    pulledBy(bench.job, TECHNICIAN, '1');
    bench.news();
    expect(bench.store.snapshot()).toMatchObject({ chosen: null, question: null });
    // What is typed for it stays.
    bench.store.choose('2');
    bench.store.typeWhole('2.1');
    pulledBy(bench.job, TECHNICIAN, '2');
    bench.news();
    expect(bench.store.snapshot()).toMatchObject({ chosen: '2', typed: '2.1' });
  });

  test('another’s pull elsewhere asks nothing', async () => {
    const bench = watched((job) => {
      pulledBy(job, EKO, '2');
    });
    bench.store.doMain();
    bench.store.doMain();
    await eventually(() => expect(pulls(bench, '1')).toHaveLength(1));
    expect(bench.store.snapshot().question).toBeNull();
  });

  test('it is also shown while one only stands at it', () => {
    const bench = watched(() => {});
    pulledBy(bench.job, EKO, '1');
    bench.news();
    expect(bench.store.snapshot()).toMatchObject({ question: 'pulled-meanwhile', chosen: '1' });
  });

  test('a refusal stops the bench at the fastener it concerns, once', () => {
    const bench = watched(() => {});
    const event = { id: 'e-1', body: { position: '2' } };
    bench.news({ refusedEntries: [{ event }] });
    expect(bench.store.snapshot()).toMatchObject({ question: 'refused', refusedId: 'e-1', chosen: '2' });
    bench.store.ask(null);
    bench.news();
    expect(bench.store.snapshot().question).toBeNull();
  });

  test('what could not be kept is said before the next pull', () => {
    const bench = watched(() => {});
    bench.news({ storageProblem: { problem: { code: 'device-storage-failed' } } });
    expect(bench.store.snapshot().question).toBe('not-kept');
  });

  test('two clicks in one moment are two, and digits typed meanwhile are a reading of the next fastener', async () => {
    const bench = watched(() => {});
    bench.store.doMain();
    bench.store.doMain();
    bench.store.inTurn(({ action }) => expect(action.kind).toBe('pull'));
    bench.store.doMain();
    bench.store.inTurn(() => bench.store.choose('3'));
    await eventually(() => expect(pulls(bench, '2')).toHaveLength(1));
    expect(pulls(bench, '1')).toHaveLength(1);
    expect(bench.store.snapshot().chosen).toBe('3');
  });

  test('where something stopped the bench, what was meant for the next fastener is not done to this one', async () => {
    const bench = watched((job) => {
      pulledBy(job, EKO, '1');
    });
    for (const _ of [1, 2, 3]) bench.store.doMain();
    await eventually(() => expect(bench.store.snapshot().question).toBe('pulled-meanwhile'));
    expect(pulls(bench, '1')).toHaveLength(1);
    expect(pulls(bench, '2')).toHaveLength(0);
  });
});

describe('pulses and questions', () => {
  const at = (ms: readonly number[]) => {
    const left = [...ms];
    const effects = { verdict: vi.fn(), go: vi.fn(), nowMs: () => left.shift() ?? 0 };
    const job = new SampleJob().ready(TOOL);
    const store = benchStore(
      {
        snapshot: () => ({ view: job.state, isReady: true }) as never,
        happen: (happening: JobHappening) => {
          const tried = job.try(happening);
          return tried.ok ? accepted(job.happen(happening)) : tried;
        },
      },
      effects,
    );
    return { store, job };
  };
  const kinds = ({ job }: { job: SampleJob }) => job.events.slice(3).map(({ kind }) => kind);

  test.each([
    [[0, 399], ['tool-set']],
    [
      [0, 400],
      ['tool-set', 'pull-made'],
    ],
    // A bounce does not push the next pulse away.
    [
      [0, 300, 410],
      ['tool-set', 'pull-made'],
    ],
  ] as const)('pulses at %j ms do %j', (ms, expected) => {
    const bench = at(ms);
    for (const _ of ms) bench.store.doMain();
    expect(kinds(bench)).toEqual(expected);
  });

  test('a slow page hears two pulses at once: they count by when the hand made them', () => {
    const bench = at([1000, 1000]);
    bench.store.doMain(200);
    bench.store.doMain(650);
    bench.store.doMain(700);
    expect(kinds(bench)).toEqual(['tool-set', 'pull-made']);
  });

  test('a likely mix-up blocks everything but its own answers; a digit types the reading anew', () => {
    const bench = ready();
    bench.store.doMain();
    bench.type('264');
    bench.store.recordTyped();
    expect(bench.store.snapshot().refusal?.code).toBe('mix-up-question');
    const before = bench.job.events.length;
    bench.store.move(1);
    bench.store.choose('3');
    bench.store.doMain();
    bench.store.pull('over-shot', null);
    expect(bench.at().position).toBe('1');
    expect(bench.job.events).toHaveLength(before);
    bench.type('22');
    expect(bench.store.snapshot()).toMatchObject({ typed: '22', refusal: null });
    bench.store.recordTyped();
    expect(bench.job.status('1')).toBe('in');
  });

  test('the pull that is voided is the last one of the fastener in front, never another’s', () => {
    const bench = ready();
    bench.store.doMain();
    bench.store.doMain();
    expect(bench.at()).toMatchObject({ position: '2', ownPull: null });
    bench.store.choose('1');
    expect(bench.at().ownPull?.body.position).toBe('1');
  });
});

describe('what a connected tool reads', () => {
  const ELECTRONIC = {
    ...LARGE,
    code: 'TE-9',
    serial: 'E-9',
    kind: 'electronic',
    toolClass: 'I-C',
    scale: { ...LARGE.scale, form: 'display', graduation: 0.01 },
  } as const;
  const read = (value: number, more: Partial<DeviceReading> = {}): DeviceReading => ({
    device: 'E-9',
    number: 1,
    peak: { text: String(value), value, unit: 'N.m' },
    angleDegrees: null,
    job: null,
    trace: null,
    curve: null,
    ...more,
  });
  const bench = (printed = '20 to 24 Nm', kind: Partial<JointKind> = {}) => {
    const plain = { ...SAMPLE_CABINET, steps: SAMPLE_CABINET.steps.slice(0, 1), ...kind };
    const plan = planOf(sampleGroup('A', plain, [{ printed }, { printed }]));
    const here = ready(plan, ELECTRONIC);
    here.store.doMain();
    return here;
  };
  const pulls = ({ job }: { job: SampleJob }) => job.state.fasteners.flatMap((each) => each.pulls);
  const refusal = ({ store }: { store: BenchStore }) => store.snapshot().refusal?.code ?? null;

  test('is recorded by itself, with the device, its number and what its curve says', () => {
    const here = bench();
    expect(here.at().action.kind).toBe('pull');
    here.store.takeReading(read(22, { number: 17 }), againstReading);
    expect(pulls(here)).toMatchObject([
      {
        body: {
          outcome: 'in',
          method: 'reading',
          reading: { text: '22' },
          device: { serial: 'E-9', number: 17 },
        },
      },
    ]);
    expect(here.at().position).toBe('2');
    expect(here.store.snapshot()).toMatchObject({ typed: '', readBy: null });
    // One that a person types names no device.
    here.type('22.1');
    here.store.recordTyped();
    expect(pulls(here)[1]?.body.device).toBeUndefined();
  });

  test.each([
    ['of another job', { job: '9999' }, 'device-other-job'],
    ['in another unit', { peak: { text: '195', value: 195, unit: 'lbf.in' } }, 'device-other-unit'],
    ['of another tool', { device: 'E-10' }, 'device-other-tool'],
  ] as const)('%s is said plainly and not recorded', (_, more, code) => {
    const here = bench();
    here.store.takeReading(read(22, more), againstReading);
    expect(refusal(here)).toBe(code);
    expect(pulls(here)).toEqual([]);
  });

  test('a pull that nothing waits for is not recorded: before the tool is set, in a question, and while a likely mix-up is asked about', () => {
    const unset = ready(
      planOf(
        sampleGroup('A', { ...SAMPLE_CABINET, steps: SAMPLE_CABINET.steps.slice(0, 1) }, [
          { printed: '20 to 24 Nm' },
        ]),
      ),
      ELECTRONIC,
    );
    if (unset.at().action.kind === 'set-tool') {
      unset.store.takeReading(read(22), againstReading);
      expect(refusal(unset)).toBe('device-not-awaited');
    }
    const asked = bench();
    asked.store.ask('else');
    asked.store.takeReading(read(22), againstReading);
    expect(refusal(asked)).toBe('device-not-awaited');
    expect(pulls(asked)).toEqual([]);
  });

  test('a reading that looks like another unit is asked about, and keeps its device when it stands', () => {
    const here = bench('20 to 24 Nm');
    here.store.takeReading(read(1.83), againstReading);
    if (refusal(here) === 'mix-up-question') {
      here.store.letStand();
      expect(pulls(here)).toMatchObject([{ body: { readingStands: true, device: { number: 1 } } }]);
    } else expect(pulls(here)).toMatchObject([{ body: { outcome: 'low', device: { number: 1 } } }]);
  });

  test('the angle that it turned is recorded as live; one without an angle says so', () => {
    const here = bench('20 Nm + 90°', { passes: TORQUE_TO_ANGLE.passes.slice(1) });
    here.store.takeReading(read(20), againstReading);
    here.store.takeReading(read(20, { number: 2 }), againstReading);
    here.store.choose('1');
    expect(here.at().action.kind).toBe('turn');
    here.store.takeReading(read(41, { number: 3 }), againstReading);
    expect(refusal(here)).toBe('device-no-angle');
    here.store.takeReading(read(41, { number: 4, angleDegrees: 88.04 }), againstReading);
    expect(fastenerAt(here.job.state, '1')).toMatchObject({
      status: 'in',
      turns: [{ method: 'live', turned: { text: '88' }, outcome: 'in' }],
    });
  });

  test('a device that is said to have read what its curve does not say is no reading', () => {
    const here = bench();
    const curve = { points: 100, peakNewtonMetres: 12, peakAtMs: 90 } as unknown as CurveFacts;
    here.store.takeReading(read(22, { curve }), againstReading);
    expect(pulls(here)).toEqual([]);
    expect(refusal(here)).toBe('claim-untrue');
  });
});
