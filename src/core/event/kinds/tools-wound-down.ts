import { z } from 'zod';
import { writtenTorqueSchema } from '../../quantity/torque.ts';
import { accepted, refused } from '../../result.ts';
import type { Shape } from '../../shape.ts';
import { eventKind } from '../event-kind.ts';

const MOST = 24;
const bodySchema = z.strictObject({
  tools: z
    .array(z.strictObject({ toolId: z.uuid(), setting: writtenTorqueSchema }))
    .min(1)
    .max(MOST),
});
type WoundDown = Shape<typeof bodySchema>;

/** The tools wound down at the end of the work, each to where it rests. */
export const toolsWoundDown = eventKind({
  kind: 'tools-wound-down',
  body: bodySchema,
  mayFollowSignature: true,
  actions: () => ['work-on-job'],
  says: (body: WoundDown) => body,
  /** Refuses: tool-not-chosen, claim-untrue (another unit than the tool's). */
  decide: (job, said) => {
    for (const { toolId, setting } of said.tools) {
      const taken = job.takenTools.get(toolId);
      if (!taken) return refused({ code: 'tool-not-chosen' });
      if (setting.unit !== taken.tool.scale.unit) return refused({ code: 'claim-untrue', field: 'setting' });
    }
    return accepted(said);
  },
  apply: {
    bench: (job, { body: { tools } }) => {
      const takenTools = new Map(job.takenTools);
      for (const { toolId, setting } of tools) {
        const taken = takenTools.get(toolId);
        if (taken) takenTools.set(toolId, { ...taken, setting });
      }
      return { takenTools };
    },
  },
});
