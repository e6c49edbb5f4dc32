import { judgePull } from '#core/command/judge-pull.ts';
import { judgedRunOn } from '#core/command/judge-run-on.ts';
import type { DeviceReading } from '#core/device/device-feed.ts';
import type { JobHappening } from '#core/event/event.ts';
import type { PullMethod } from '#core/job/pull.ts';
import type { JobRefusal } from '#core/job/refusal.ts';
import type { StepResult } from '#core/job/step-done.ts';
import { NUMBER_MAX_LENGTH, readNumber } from '#core/quantity/read-number.ts';
import { SIXTH_DEGREES, type TurnMethod, type WrittenDegrees } from '#core/turn/turn.ts';
import { fastenerAt, isAsRequired } from '#core/view/bench.ts';
import { type DueStep, stepsAfter } from '#core/view/due-steps.ts';
import type { JobView } from '#core/view/job-view.ts';
import { isRoundNext } from '#core/view/passes.ts';
import { type Store, storeOf } from '../store.ts';
import { type BenchJob, mayPull, watchBeside } from './bench-beside.ts';
import { bounces } from './bench-pulses.ts';
import {
  type AskedPull,
  type BenchAt,
  type BenchQuestion,
  type BenchState,
  benchAt,
  comingFrom,
  EMPTY_BENCH,
  type PullMore,
} from './bench-state.ts';
import { measuredResult, plainResult } from './bench-steps.ts';
import { turns } from './bench-turns.ts';

/** What stands against recording a reading where the bench is: the words of whoever hears the device, in `core/command/device-pull`. */
export type AgainstReading = (job: JobView, reading: DeviceReading, here: BenchAt) => JobRefusal | null;

/** What a bench does beside changing the job: it makes sounds and goes to other pages. */
export type BenchEffects = {
  readonly verdict: (isGood: boolean) => void;
  /** Tells that a wait is over. */
  readonly waitOver?: () => void;
  readonly go: (path: string) => void;
  /** Milliseconds on a clock that only goes forward; what tells a second pulse from a bounce. */
  readonly nowMs: () => number;
  /** Whether the work goes on with what the tool is set to, where the joint allows it. */
  readonly isFewest?: () => boolean;
};

export type BenchStore = Store<BenchState> & {
  readonly choose: (position: string | null) => void;
  readonly move: (by: 1 | -1) => void;
  readonly type: (character: string) => void;
  readonly erase: () => void;
  readonly clear: () => void;
  readonly ask: (question: BenchQuestion) => void;
  readonly holdInstrument: (instrument: string) => void;
  readonly happen: (happening: JobHappening) => boolean;
  readonly pull: (method: PullMethod, readingText: string | null, more?: PullMore) => void;
  /** Does something once its turn is there: at once, or after the pull that is on its way into the record, with the bench as it is then. */
  readonly inTurn: (act: (now: BenchState & BenchAt) => void) => void;
  /** Records one's own pull beside the one that somebody else made meanwhile; both stay in the record. */
  readonly recordMineToo: () => void;
  /** Watches what happens to the job beside the bench, until the returned function is called. */
  readonly watch: () => () => void;
  /** Does what the large action says. `pulsedAtMs`: when the hand asked for it, on the same clock as `nowMs`; a slow page hears of it later. */
  readonly doMain: (pulsedAtMs?: number) => void;
  /** In a round at full torque: says whether it turned before the tool gave. */
  readonly sayTurned: (hasTurned: boolean) => void;
  /** Measures the run-on torque of the fastener in front again. */
  readonly remeasure: () => void;
  /** Takes what stands in a field as the digits typed. */
  readonly typeWhole: (typed: string) => void;
  /** Records the digits typed: a reading, a run-on torque, or what a step measures. */
  readonly recordTyped: () => void;
  /** Records the reading that was asked about as it is. */
  readonly letStand: () => void;
  readonly doStep: (result: StepResult) => void;
  /** Takes what a device read: recorded where it was waited for and can be no other's, else said plainly and not recorded. */
  readonly takeReading: (reading: DeviceReading, against: AgainstReading) => void;
  /** Chooses whether an angle is counted in sixths of a turn. */
  readonly countSixths: (isInSixths: boolean) => void;
  /** Records a click on a fastener that is in as a second click, which is a check. */
  readonly recordSecondClick: () => void;
  /** Says that a wait is over, to a person who looks elsewhere. */
  readonly tellWaitOver: () => void;
};

/** The bench over a job on this device: which fastener, what is typed, what was refused, what is asked. */
export const benchStore = (job: BenchJob, effects: BenchEffects): BenchStore => {
  const store = storeOf(EMPTY_BENCH);
  const set = (part: Partial<BenchState>): void => store.change({ ...store.snapshot(), ...part });
  const view = (): JobView => job.snapshot().view;
  const at = (): BenchAt => benchAt(view(), store.snapshot());
  /** A likely mix-up of units is asked about until it is answered: nothing else goes on meanwhile. */
  const isAsked = (): boolean => store.snapshot().refusal?.code === 'mix-up-question';
  const unlessAsked =
    <A extends readonly unknown[]>(act: (...given: A) => void) =>
    (...given: A): void => {
      if (!isAsked()) act(...given);
    };
  const clear = (): void => set({ typed: '', readBy: null, refusal: null });
  const choose = (chosen: string | null): void =>
    set({ chosen, typed: '', readBy: null, refusal: null, remeasured: null });

  const happen = (happening: JobHappening): boolean => {
    const next = job.happen(happening);
    set({ refusal: next.ok ? null : next.refusal });
    return next.ok;
  };

  /** After something was done at a fastener: stays where more is due or it is out, else goes on from there. */
  const goOn = (position: string): void => {
    const after = fastenerAt(view(), position);
    const isOut =
      after &&
      after.pulls.length > 0 &&
      !isAsRequired(after.status) &&
      after.status !== 'reached' &&
      after.status !== 'by-feel';
    const isDue = after && stepsAfter(view(), after).length > 0;
    const [next] = comingFrom(view(), position, effects.isFewest?.() ?? false);
    set({ chosen: isOut || isDue ? position : (next ?? null) });
  };

  const pullNow = (
    position: string,
    { method, readingText, more: { readingStands = false, moved, device } }: AskedPull,
  ): void => {
    const judged = judgePull(view(), {
      position,
      method,
      readingText,
      readingStands,
      moved: moved ?? null,
      device,
    });
    if (!judged.ok) set({ refusal: judged.refusal });
    if (!judged.ok || !happen({ kind: 'pull-made', body: judged.value })) return;
    set({ typed: '', readBy: null });
    const { outcome } = judged.value;
    effects.verdict(outcome === 'in' || outcome === 'reached');
    goOn(position);
  };

  const { isBusy, inOrder, after } = turns();

  const pull: BenchStore['pull'] = (method, readingText, more = {}) => {
    const { position } = at();
    if (!job.snapshot().isReady || position === null) return;
    const asked = { method, readingText, more };
    const may = mayPull(job, store, position, asked);
    if (!may) pullNow(position, asked);
    else after(may, () => pullNow(position, asked));
  };

  const recordMineToo = (): void => {
    const { meanwhile } = store.snapshot();
    set({ question: null, meanwhile: null });
    if (meanwhile?.mine) pullNow(meanwhile.position, meanwhile.mine);
  };

  const doStep = (result: StepResult): void => {
    const { action, position } = at();
    if (action.kind !== 'step') return;
    const { step, group, of, afterPass, limits } = action.due;
    const said = { group: group?.id ?? null, step: step.id, of, afterPass, result };
    const body = { ...said, limits, waitedMinutes: null, isGood: false };
    if (!happen({ kind: 'step-done', body })) return;
    set({ typed: '', question: null });
    // What was prepared for is pulled next; what was checked is done with.
    const isChecked = step.stage === 'check' || step.stage === 'close';
    const after = position === null ? undefined : fastenerAt(view(), position);
    if (isChecked && position !== null && after && stepsAfter(view(), after).length === 0) goOn(position);
  };

  /** A step that needs no more than a nod; a wait is begun by the first one and ended by the next. */
  const doPlainStep = (due: DueStep): void => {
    const { step, group, of, afterPass } = due;
    if (step.act.kind === 'wait' && due.since === null) {
      happen({ kind: 'wait-begun', body: { group: group?.id ?? null, step: step.id, of, afterPass } });
      return;
    }
    const result = plainResult(due);
    if (result) doStep(result);
  };

  const measure = (typed: string, due: DueStep): void => {
    const measured = measuredResult(typed, store.snapshot().instrument, due);
    if (!measured.ok) set({ refusal: measured.refusal });
    else if (measured.value) doStep(measured.value);
  };

  const recordRunOn = (typed: string, { action, position }: BenchAt): void => {
    if (action.kind !== 'measure-run-on' || position === null) return;
    const judged = judgedRunOn(view(), position, typed, action.taken);
    if (!judged.ok) set({ refusal: judged.refusal });
    else if (happen({ kind: 'run-on-measured', body: { position, ...judged.value } }))
      set({ typed: '', remeasured: null });
  };

  /** A pull as it was asked for: in a round at full torque it is asked first whether it turned. */
  const pullOrAsk = (method: PullMethod, readingText: string | null, more: PullMore = {}): void => {
    const { position, fastener } = at();
    if (!isInRound() || position === null) {
      // At the same setting it gives again, however tight it is.
      if (method === 'click' && fastener?.status === 'in') set({ question: 'second-click' });
      else pull(method, readingText, more);
      return;
    }
    // What can't be recorded is said before anything else is asked about it.
    const readingStands = more.readingStands ?? false;
    const judged = judgePull(view(), { position, method, readingText, readingStands, moved: false });
    if (!judged.ok) set({ refusal: judged.refusal });
    else set({ question: 'did-it-turn', asked: { method, readingText, more } });
  };

  const recordSecondClick = (): void => {
    const { action, position, fastener } = at();
    if (action.kind !== 'pull' || position === null || !fastener) return;
    const { id: toolId, code, serial, calibrationDueOn, scale } = action.taken.tool;
    const { text, setting: value } = action.wanted;
    const said = { position, purpose: 'check', method: 'second-click', toolId, note: '' } as const;
    const body = {
      ...said,
      reading: { text, value, unit: scale.unit },
      tool: { code, serial, calibrationDueOn },
      lowNewtonMetres: 0,
      highNewtonMetres: 0,
      isInside: false,
    };
    if (happen({ kind: 'fastener-checked', body })) goOn(position);
  };

  const sayTurned = (moved: boolean): void => {
    const { asked } = store.snapshot();
    set({ question: null, asked: null });
    if (asked) pull(asked.method, asked.readingText, { ...asked.more, moved });
  };

  /** Records the angle that a fastener was turned by, in degrees. */
  const recordTurn = (turned: WrittenDegrees, method: TurnMethod, { action, position }: BenchAt): void => {
    if (action.kind !== 'turn' || position === null) return;
    const said = { position, step: action.due.step, turned, method } as const;
    const body = { ...said, askedDegrees: action.due.degrees, toleranceDegrees: 1, outcome: 'in' } as const;
    if (!happen({ kind: 'angle-turned', body })) return;
    set({ typed: '' });
    const after = fastenerAt(view(), position);
    effects.verdict(after?.status === 'in' || after?.turned !== action.due.step);
    goOn(position);
  };

  /** An angle as it was typed: in degrees, or counted in sixths of a turn. */
  const typedTurn = (typed: string, here: BenchAt): void => {
    const number = readNumber(typed);
    if (!number.ok) {
      set({ refusal: number.refusal });
      return;
    }
    const { isInSixths } = store.snapshot();
    const value = number.value.value * (isInSixths ? SIXTH_DEGREES : 1);
    const text = isInSixths ? String(value) : number.value.text;
    recordTurn({ text, value, unit: '°' }, isInSixths ? 'sixths' : 'read', here);
  };

  const takeReading: BenchStore['takeReading'] = (reading, againstIt) => {
    const here = at();
    const { peak, device: serial, number, curve, angleDegrees } = reading;
    const isHeldUp = !job.snapshot().isReady || store.snapshot().question !== null || isAsked();
    const against = isHeldUp
      ? ({ code: 'device-not-awaited', device: serial, text: peak.text, unit: peak.unit } as const)
      : againstIt(view(), reading, here);
    if (against) set({ refusal: against });
    else if (here.action.kind === 'turn') {
      const value = Math.round((angleDegrees ?? 0) * 10) / 10;
      if (value > 0) recordTurn({ text: String(value), value, unit: '°' }, 'live', here);
      else set({ refusal: { code: 'device-no-angle', device: serial } });
    } else if (here.action.kind === 'measure-run-on') recordRunOn(peak.text, here);
    else {
      const device = { curve, number, readAt: null, serial };
      set({ refusal: null, typed: peak.text, readBy: device });
      pullOrAsk('reading', peak.text, { device });
    }
  };

  const byDevice = (): PullMore => {
    const { readBy } = store.snapshot();
    return readBy ? { device: readBy } : {};
  };

  const recordTyped = (): void => {
    const { typed } = store.snapshot();
    const here = at();
    if (typed === '' || !job.snapshot().isReady) return;
    if (here.action.kind === 'measure-run-on') recordRunOn(typed, here);
    else if (here.action.kind === 'turn') typedTurn(typed, here);
    else if (here.action.kind === 'step') measure(typed, here.action.due);
    else pullOrAsk('reading', typed, byDevice());
  };

  /** Whether the fastener in front is pulled in a round at full torque, in which it is said whether it moved. */
  const isInRound = (): boolean => {
    const { fastener } = at();
    return fastener !== undefined && isRoundNext(view(), fastener);
  };

  const isBounce = bounces();

  const doMain = (): void => {
    if (!job.snapshot().isReady) return;
    const { action, position } = at();
    const { job: id } = view();
    switch (action.kind) {
      case 'make-safe':
        set({ question: 'make-safe' });
        break;
      case 'choose-tool':
      case 'another-tool':
        effects.go(`/jobs/${id}/plan`);
        break;
      case 'wind-down': {
        const tools = action.tools.map(({ taken, to }) => ({ toolId: taken.tool.id, setting: to }));
        happen({ kind: 'tools-wound-down', body: { tools } });
        break;
      }
      case 'sign':
      case 'signed':
        effects.go(`/jobs/${id}/sign`);
        break;
      case 'step':
        doPlainStep(action.due);
        break;
      case 'inspect':
        if (position !== null)
          happen({ kind: 'fastener-inspected', body: { position, isGood: true, note: '' } });
        break;
      case 'replace':
        set({ question: 'replace' });
        break;
      case 'loosen':
        if (position !== null) happen({ kind: 'fastener-loosened', body: { position } });
        break;
      case 'finger-tighten':
        if (position !== null && happen({ kind: 'finger-tightened', body: { position } })) goOn(position);
        break;
      case 'set-tool': {
        const { tool } = action.taken;
        const { text, setting: value } = action.wanted;
        const setting = { text, value, unit: tool.scale.unit };
        happen({ kind: 'tool-set', body: { toolId: tool.id, setting } });
        break;
      }
      case 'pull':
        pullOrAsk('click', null);
        break;
      case 'measure-run-on':
      case 'turn':
        break;
    }
  };

  return {
    snapshot: store.snapshot,
    subscribe: store.subscribe,
    choose: inOrder(unlessAsked(choose)),
    clear: inOrder(clear),
    happen,
    pull: inOrder(unlessAsked(pull)),
    inTurn: (act) => inOrder(() => act({ ...store.snapshot(), ...at() }))(),
    recordMineToo,
    watch: () => watchBeside(job, store, isBusy),
    doMain: (pulsedAtMs = effects.nowMs()) => {
      if (!isBounce(pulsedAtMs)) inOrder(unlessAsked(doMain))();
    },
    doStep,
    takeReading: inOrder(takeReading),
    countSixths: (isInSixths) => set({ isInSixths, typed: '' }),
    recordSecondClick: inOrder(recordSecondClick),
    tellWaitOver: () => effects.waitOver?.(),
    sayTurned: inOrder(sayTurned),
    remeasure: inOrder(unlessAsked(() => set({ remeasured: at().position, typed: '', refusal: null }))),
    typeWhole: (typed) => set({ refusal: null, readBy: null, typed: typed.slice(0, NUMBER_MAX_LENGTH) }),
    recordTyped: inOrder(recordTyped),
    letStand: inOrder(() => {
      const { typed } = store.snapshot();
      set({ refusal: null });
      pullOrAsk('reading', typed, { ...byDevice(), readingStands: true });
    }),
    ask: (question) =>
      set({ question, ...(question === null ? { meanwhile: null, refusedId: null, asked: null } : {}) }),
    holdInstrument: (instrument) => set({ instrument }),
    // A digit typed while it is asked about is the reading typed anew.
    type: inOrder((character) =>
      set({
        refusal: null,
        readBy: null,
        typed: ((isAsked() ? '' : store.snapshot().typed) + character).slice(0, NUMBER_MAX_LENGTH),
      }),
    ),
    erase: inOrder(() => set({ readBy: null, typed: store.snapshot().typed.slice(0, -1) })),
    move: inOrder(
      unlessAsked((by) => {
        const { fasteners, indexByPosition } = view();
        const { position } = at();
        const place = position === null ? -1 : (indexByPosition.get(position) ?? -1);
        choose(fasteners[(place + by + fasteners.length) % fasteners.length]?.planned.position ?? null);
      }),
    ),
  };
};
