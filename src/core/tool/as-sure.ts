import { stepOf, type ToolFit } from './choose-tool.ts';

/** Whether a tool does something as surely as another one, as a person at a bench sees it. */
export const isAsSure = (a: ToolFit, b: ToolFit): boolean =>
  stepOf(a.probability) === stepOf(b.probability) && a.isInCalibratedPart === b.isInCalibratedPart;
