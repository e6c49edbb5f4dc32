import { z } from 'zod';
import { type WrittenTorque, writtenTorqueSchema } from '../../quantity/torque.ts';
import { accepted, refused } from '../../result.ts';
import { settingWith, toolFor } from '../../view/tool-for.ts';
import { eventKind } from '../event-kind.ts';

type ToolSet = { readonly toolId: string; readonly setting: WrittenTorque };

/** A tool set by hand. */
export const toolSet = eventKind({
  kind: 'tool-set',
  body: z.strictObject({ toolId: z.uuid(), setting: writtenTorqueSchema }) satisfies z.ZodType<ToolSet>,
  actions: () => ['work-on-job'],
  says: (body: ToolSet) => body,
  /** Refuses: tool-not-chosen, claim-untrue (another unit than the tool's); before it is done also another-tool-chosen, and setting-not-made
   *  where no fastener wants that setting. A tool that was set is set, whatever a colleague changed meanwhile. */
  decide: (job, said, { hasHappened }) => {
    const taken = job.takenTools.get(said.toolId);
    if (!taken)
      return refused({
        code: job.takenTools.size > 0 && !hasHappened ? 'another-tool-chosen' : 'tool-not-chosen',
      });
    const { setting } = said;
    if (hasHappened)
      return setting.unit === taken.tool.scale.unit
        ? accepted(said)
        : refused({ code: 'claim-untrue', field: 'setting' });
    const { unit } = taken.tool.scale;
    const servedBy = job.fasteners.filter((fastener) => toolFor(job, fastener)?.tool.id === said.toolId);
    if (servedBy.length === 0) return refused({ code: 'another-tool-chosen' });
    const isWanted = servedBy.some((fastener) => {
      const wanted = settingWith(job, fastener, taken);
      return wanted.ok && wanted.value.setting === setting.value;
    });
    return isWanted && setting.unit === unit
      ? accepted(said)
      : refused({ code: 'setting-not-made', wanted: setting.text, unit });
  },
  apply: {
    bench: (job, { body: { toolId, setting } }) => {
      const taken = job.takenTools.get(toolId);
      return taken ? { takenTools: new Map(job.takenTools).set(toolId, { ...taken, setting }) } : {};
    },
  },
});
