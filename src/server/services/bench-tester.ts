import { connect } from 'node:net';
import { createInterface } from 'node:readline';
import { z } from 'zod';
import { accepted, type Result, refused } from '#core/result.ts';
import type { Problem } from '#wire/problems/problem.ts';

const readingSchema = z.object({
  device: z.literal('tester'),
  number: z.int(),
  peakNewtonMetres: z.number().positive().max(2000),
});
/** One peak that the bench tester felt. */
export type TesterReading = z.infer<typeof readingSchema>;

const port = (name: string): number | null => Number(process.env[name] ?? '') || null;

/** Readings of the bench tester as they come, until whoever listens leaves. A line that is no reading is left out.
 *  Refuses: no-device (no tester is connected). */
export const testerReadings = (): Result<AsyncGenerator<TesterReading>, Problem> => {
  const linePort = port('JENTIK_TESTER_PORT');
  if (!linePort) return refused({ code: 'no-device' });
  const read = async function* (): AsyncGenerator<TesterReading> {
    const socket = connect(linePort, '127.0.0.1');
    try {
      for await (const line of createInterface({ input: socket })) {
        const reading = readingSchema.safeParse(parsed(line));
        if (reading.success) yield reading.data;
      }
    } finally {
      socket.destroy();
    }
  };
  return accepted(read());
};

const parsed = (line: string): unknown => {
  try {
    return JSON.parse(line);
  } catch {
    // A line cut by a restart of the tester is no reading.
    return null;
  }
};

/** Lets the simulated tester feel a pull. Refuses: no-device. */
export const letTesterFeel = async (torqueNewtonMetres: number): Promise<Result<null, Problem>> => {
  const handPort = port('JENTIK_TESTER_HAND_PORT');
  if (!handPort) return refused({ code: 'no-device' });
  const body = new URLSearchParams({ torque: String(torqueNewtonMetres) });
  const answer = await fetch(`http://127.0.0.1:${handPort}`, { method: 'POST', body });
  return answer.ok ? accepted(null) : refused({ code: 'no-device' });
};
