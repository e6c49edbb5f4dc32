import { z } from 'zod';
import { accepted, refused } from '../../result.ts';
import { type WrittenTorque, writtenTorqueSchema } from '../../torque/torque.ts';
import { wantedSetting } from '../../view/wanted-setting.ts';
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
    if (!job.tool || (hasHappened && !taken)) return refused({ code: 'tool-not-chosen' });
    const { setting } = said;
    if (hasHappened && taken)
      return setting.unit === taken.tool.scale.unit
        ? accepted(said)
        : refused({ code: 'claim-untrue', field: 'setting' });
    if (job.tool.id !== said.toolId) return refused({ code: 'another-tool-chosen' });
    const isWanted = job.fasteners.some((fastener) => {
      const wanted = wantedSetting(job, fastener);
      return wanted.ok && wanted.value.setting === setting.value;
    });
    return isWanted && setting.unit === job.tool.scale.unit
      ? accepted(said)
      : refused({ code: 'setting-not-made', wanted: setting.text, unit: job.tool.scale.unit });
  },
  apply: {
    bench: (job, { body: { toolId, setting } }) => {
      const taken = job.takenTools.get(toolId);
      return {
        ...(job.tool?.id === toolId ? { setting } : {}),
        ...(taken ? { takenTools: new Map(job.takenTools).set(toolId, { ...taken, setting }) } : {}),
      };
    },
  },
});
