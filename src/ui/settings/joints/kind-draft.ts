import { type JointKind, jointKindSchema, type Pass } from '#core/joint/joint-kind.ts';
import type { JointStep } from '#core/joint/joint-step.ts';
import { ownCodeFor } from '#core/joint/own-kind.ts';
import { readNumber } from '#core/quantity/read-number.ts';

export const ACTS = ['confirm', 'inspect', 'measure', 'wait', 'photograph'] as const;
export type Act = (typeof ACTS)[number];

/** A step as it is typed. */
export type StepDraft = Omit<JointStep, 'act'> & {
  readonly act: Act;
  readonly unit: string;
  readonly low: string;
  readonly high: string;
  readonly minutes: string;
  /** The condition of a requirement whose limit counts, kept from the kind that it was begun with. */
  readonly from: 'runout' | 'temperature' | null;
};

/** A kind of joint as it is typed, begun with another one. */
export type KindDraft = {
  readonly base: JointKind;
  /** The revision it is the next of; 0 for a new one. */
  readonly basedOn: number;
  readonly name: string;
  readonly words: JointKind['words'];
  readonly usualDrive: JointKind['usualDrive'];
  readonly order: JointKind['order'];
  /** Shares in percent, such as `30, 70, 100`. */
  readonly shares: string;
  readonly roundsUntilStill: boolean;
  readonly passesSource: string;
  readonly steps: readonly StepDraft[];
  readonly troubles: NonNullable<JointKind['troubles']>;
};

const numberText = (value: number | null): string => (value === null ? '' : String(value));

const stepDraft = ({ act, ...step }: JointStep): StepDraft => ({
  ...step,
  act: act.kind,
  unit: act.kind === 'measure' ? act.limits.unit : '',
  low: act.kind === 'measure' ? numberText(act.limits.low) : '',
  high: act.kind === 'measure' ? numberText(act.limits.high) : '',
  minutes: act.kind === 'wait' ? String(act.minutes) : '',
  from: act.kind === 'measure' ? act.limits.from : null,
});

/** A draft that begins with a kind: as the next revision of one of the site's own, or as a new one like it. */
export const draftLike = (base: JointKind, isRevision: boolean): KindDraft => ({
  base,
  basedOn: isRevision ? base.revision : 0,
  name: isRevision ? base.name : '',
  words: base.words,
  usualDrive: base.usualDrive,
  order: base.order,
  shares: base.passes
    .map(({ amount }) => (amount.kind === 'share' ? Math.round(amount.share * 100) : amount.torque.text))
    .join(', '),
  roundsUntilStill: base.roundsUntilStill,
  passesSource: isRevision ? (base.passesSource ?? '') : '',
  steps: base.steps.map(stepDraft),
  troubles: base.troubles ?? [],
});

/** A step with nothing said yet, named so that no other one is. */
export const emptyStep = (steps: readonly StepDraft[]): StepDraft => {
  const taken = new Set(steps.map(({ id }) => id));
  let number = steps.length + 1;
  while (taken.has(`step-${number}`)) number += 1;
  return {
    id: `step-${number}`,
    stage: 'make-safe',
    scope: 'job',
    act: 'confirm',
    title: '',
    detail: '',
    isBlocking: true,
    source: '',
    unit: '',
    low: '',
    high: '',
    minutes: '',
    from: null,
  };
};

const numberOrNull = (text: string): number | null => {
  if (text.trim() === '') return null;
  const read = readNumber(text.trim());
  return read.ok ? read.value.value : Number.NaN;
};

const stepOf = ({ act, unit, low, high, minutes, from, ...step }: StepDraft): JointStep => {
  if (act === 'wait') return { ...step, act: { kind: 'wait', minutes: numberOrNull(minutes) ?? 0 } };
  if (act === 'measure')
    return {
      ...step,
      act: { kind: 'measure', limits: { unit, low: numberOrNull(low), high: numberOrNull(high), from } },
    };
  return { ...step, act: { kind: act } };
};

/** Passes of shares as typed; one that the kind had keeps its name. */
const passesOf = (shares: string, before: readonly Pass[]): readonly Pass[] =>
  shares.split(/[,;\s]+/).flatMap((text): readonly Pass[] => {
    if (text === '') return [];
    const share = (numberOrNull(text.replace('%', '')) ?? Number.NaN) / 100;
    const same = before.find(
      ({ amount }) => amount.kind === 'share' && Math.round(amount.share * 100) === Math.round(share * 100),
    );
    if (same) return [same];
    const name = share === 1 ? 'full torque' : `${text.replace('%', '')} %`;
    return [{ name, amount: { kind: 'share', share } }];
  });

const FIELD_WORDS: Readonly<Record<string, string>> = {
  name: 'Name',
  words: 'The words',
  passes: 'Passes, in percent',
  passesSource: 'Where its passes come from',
  steps: 'Step',
  troubles: 'When it goes wrong',
};

/** The kind of joint that a draft says, or in words what must be filled in first. */
export const kindOfDraft = (
  draft: KindDraft,
): { readonly kind: JointKind } | { readonly missing: string } => {
  const { base, basedOn, shares, steps, troubles, passesSource, ...said } = draft;
  const { otherPasses: _, ...kept } = base;
  const kind = {
    ...kept,
    ...said,
    code: basedOn > 0 ? base.code : ownCodeFor(draft.name),
    revision: basedOn + 1,
    passes: passesOf(shares, base.passes),
    passesSource,
    steps: steps.map(stepOf),
    troubles,
  };
  const read = jointKindSchema.safeParse(kind);
  if (read.success) return { kind: read.data as JointKind };
  const [issue] = read.error.issues;
  const [field = '', place] = issue?.path ?? [];
  const words = FIELD_WORDS[String(field)] ?? String(field);
  return {
    missing: `${words}${typeof place === 'number' ? ` ${place + 1}` : ''} is not filled in right yet.`,
  };
};
