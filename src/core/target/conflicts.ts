import { type LikelyMixUp, likelyMixUps } from '../quantity/mix-up.ts';
import type { NewtonMetres, TorqueUnit } from '../quantity/unit.ts';
import type { PrintedTorque } from '../spec/book/book-requirement.ts';
import { disagreements, sourcesDiffer } from '../spec/requirement/agreement.ts';
import { readRequirement } from '../spec/requirement/read-requirement.ts';
import type { Specification } from '../spec/requirement/specification.ts';
import { specifiedTarget } from './joined-parts.ts';
import type { Schools } from './schools.ts';

/** What one current source says about a thing: an id, and the specification. */
export type BookStatement = { readonly id: string; readonly specification: Specification };

/** Two current statements about one thing that disagree beyond rounding. */
export type Conflict = {
  readonly first: string;
  readonly other: string;
  /** Targets under the site's schools, in newton metres; null where one has none (an angle without a torque). */
  readonly firstTarget: NewtonMetres | null;
  readonly otherTarget: NewtonMetres | null;
  /** The other target against the first, in percent. */
  readonly differencePercent: number | null;
  /** The confusions of units that would explain it, nearest first. */
  readonly likely: readonly LikelyMixUp[];
};

const targetOf = (specification: Specification, schools: Schools): NewtonMetres | null => {
  const target = specifiedTarget(specification, schools, 0);
  return target.ok ? target.value.target : null;
};

/** How two statements compare, whether or not they disagree. */
export const conflictBetween = (a: BookStatement, b: BookStatement, schools: Schools): Conflict => {
  const [firstTarget, otherTarget] = [targetOf(a.specification, schools), targetOf(b.specification, schools)];
  const isKnown = firstTarget !== null && otherTarget !== null;
  return {
    first: a.id,
    other: b.id,
    firstTarget,
    otherTarget,
    differencePercent: isKnown ? (otherTarget / firstTarget - 1) * 100 : null,
    likely: isKnown ? likelyMixUps(otherTarget, firstTarget, 'print') : [],
  };
};

/** What a source prints beside the value that was settled on, where it prints two that disagree beyond rounding (`14 in-lb / 2.6 Nm`); null
 *  where it says one thing. */
export const contradiction = (torque: PrintedTorque, siteUnit: TorqueUnit): PrintedTorque | null => {
  const read = readRequirement(torque.printed, siteUnit);
  if (!read.ok || read.value.disagreements.length === 0) return null;
  const all = [read.value.requirement, ...read.value.alsoPrinted];
  const at = all.findIndex((requirement) => disagreements(torque.requirement, requirement).length > 0);
  const requirement = all[at];
  return requirement ? { printed: read.value.statements[at] ?? '', readAs: null, requirement } : null;
};

/** Every pair of statements about one thing that disagree beyond rounding, in the order given. Two requirements that print a torque
 *  differently but mean the same (20 lbf·in, 2.26 N·m) agree. */
export const conflictsAmong = (statements: readonly BookStatement[], schools: Schools): readonly Conflict[] =>
  statements.flatMap((a, index) =>
    statements
      .slice(index + 1)
      .filter((b) => sourcesDiffer(a.specification.requirement, b.specification.requirement))
      .map((b) => conflictBetween(a, b, schools)),
  );
