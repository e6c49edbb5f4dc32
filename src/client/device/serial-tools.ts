import { z } from 'zod';
import { PATTERN_MAX_LENGTH } from '#core/device/plain-pattern.ts';

const keptSchema = z.object({
  baudRate: z.int().positive().max(1_000_000),
  pattern: z.string().max(PATTERN_MAX_LENGTH),
});
export type KeptSerialTool = z.infer<typeof keptSchema>;

const keyOf = (toolCode: string): string => `jentik-cable-${toolCode}`;

/** How a tool spoke when its cable was opened here last; null where it never was. */
export const keptSerialTool = (toolCode: string): KeptSerialTool | null => {
  try {
    const kept = keptSchema.safeParse(JSON.parse(localStorage.getItem(keyOf(toolCode)) ?? 'null'));
    return kept.success ? kept.data : null;
  } catch {
    return null;
  }
};

/** Keeps it for the next time. A device that keeps nothing is asked again. */
export const keepSerialTool = (toolCode: string, kept: KeptSerialTool): void => {
  try {
    localStorage.setItem(keyOf(toolCode), JSON.stringify(kept));
  } catch {
    // Asked again, then.
  }
};
