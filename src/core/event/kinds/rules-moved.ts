import { z } from 'zod';
import { positionSchema, whySchema } from '../../bounds.ts';
import { changedByRules } from '../../command/judgement.ts';
import { rulesNumberSchema } from '../../job/plan.ts';
import { saysNothing } from '../../job/says-nothing.ts';
import { accepted, refused } from '../../result.ts';
import { rulesOf } from '../../rules/rules-by-number.ts';
import { OUTCOMES } from '../../verdict/tightening-verdict.ts';
import { eventKind } from '../event-kind.ts';

const differingSchema = z.strictObject({
  position: positionSchema,
  pullId: z.uuid(),
  was: z.enum(OUTCOMES),
  would: z.enum(OUTCOMES),
});

const bodySchema = z.strictObject({
  from: rulesNumberSchema,
  to: rulesNumberSchema,
  why: whySchema,
  /** The verdicts that would be others under the new rules; they stay as they were given. */
  differing: z.array(differingSchema).max(2000),
});

type Moved = z.infer<typeof bodySchema>;
type Said = Pick<Moved, 'to' | 'why'>;

/** A job moved to other rules by a lead: what is judged from then on is judged by those, and what was judged stays as it was. */
export const rulesMoved = eventKind({
  kind: 'rules-moved',
  body: bodySchema,
  actions: () => ['move-rules'],
  says: ({ to, why }: Moved): Said => ({ to, why }),
  /** Refuses: why-missing, rules-unknown, rules-already. */
  decide: (job, { to, why }) => {
    if (saysNothing(why)) return refused({ code: 'why-missing' });
    const rules = rulesOf(to);
    if (!rules) return refused({ code: 'rules-unknown', number: to });
    if (to === job.rules) return refused({ code: 'rules-already', number: to });
    const differing = changedByRules(job, rules).map((each) => ({ ...each })) as Moved['differing'];
    return accepted({ from: job.rules, to, why, differing });
  },
  apply: {
    planning: (job, { body: { from, to, why }, person, deviceTime }) => ({
      rules: to,
      rulesMoves: [...job.rulesMoves, { from, to, why, person, at: deviceTime }],
    }),
  },
});
