import { type ClassRefusal, classRefusal } from '../spec/screw/property-class.ts';
import type { PlannedFastener } from './plan.ts';

type InHand = Pick<PlannedFastener, 'position' | 'requirement' | 'propertyClass'>;

/** What stands against the screw in hand by the class its requirement asks; null where nothing does. Refuses: class-not-met. */
export const unmetClass = ({ position, requirement, propertyClass }: InHand): ClassRefusal | null =>
  classRefusal(position, requirement.book?.conditions.propertyClass, propertyClass);

/** A fastener whose screw is to be replaced where it is not of the class asked: what was in hand is no longer said. */
export const withoutUnmetClass = (planned: PlannedFastener): PlannedFastener => {
  if (!unmetClass(planned)) return planned;
  const { propertyClass: _, ...without } = planned;
  return without;
};
