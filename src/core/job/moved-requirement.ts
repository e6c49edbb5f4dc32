import type { FromBook } from '../spec/book/from-book.ts';
import type { PlannedRequirement } from './plan.ts';

/** A requirement of which only the lower half of the range is taken, or the whole again. */
export const takingHalf = (requirement: PlannedRequirement, isLowerHalf: boolean): PlannedRequirement => {
  const { isLowerHalf: _, ...whole } = requirement;
  return isLowerHalf ? { ...whole, isLowerHalf } : whole;
};

/** A requirement moved to what the book says: what the job's own list printed stays beside it, and how much of the range is taken. */
export const movedToBook = (before: PlannedRequirement, { torque, book }: FromBook): PlannedRequirement =>
  takingHalf(
    {
      printed: before.printed,
      readAs: torque.readAs ?? torque.printed,
      requirement: torque.requirement,
      book,
    },
    before.isLowerHalf === true,
  );
