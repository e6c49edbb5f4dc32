import type { CautionId } from '../job/cautions.ts';
import type { Person } from '../people/person.ts';

/** What was made safe and prepared before the first pull. */
export type StepsView = {
  readonly cautions: {
    readonly confirmed: readonly CautionId[];
    readonly person: Person;
    readonly deviceTime: string;
  } | null;
};

export const NO_STEPS: StepsView = { cautions: null };
