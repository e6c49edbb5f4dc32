import type { PatternRefusal } from '#core/device/plain-pattern.ts';
import { type PlainReader, plainReader } from '#core/device/plain-pattern.ts';
import { accepted, type Result, refused } from '#core/result.ts';

// A tool on a cable of this device, read by the browser itself: Web Serial, where the browser has it.

type Port = {
  readonly open: (options: { readonly baudRate: number }) => Promise<void>;
  readonly close: () => Promise<void>;
  readonly readable: ReadableStream<Uint8Array> | null;
};
type Serial = { readonly requestPort: () => Promise<Port> };

declare global {
  interface Navigator {
    /** Not in every browser. */
    readonly serial?: Serial;
  }
}

/** How a tool on a cable speaks. An empty pattern is lines of JSON. */
export type SerialTool = {
  readonly device: string;
  readonly baudRate: number;
  readonly pattern: string;
  readonly unit: string | null;
};

export type SerialRefusal =
  | PatternRefusal
  | { readonly code: 'serial-not-here' }
  | { readonly code: 'serial-not-opened'; readonly why: string };

const LONGEST = 64_000;

const serialHere = (): Serial | null => navigator.serial ?? null;

/** Whether this browser reads cables. */
export const hasSerial = (): boolean => serialHere() !== null;

/** Reads lines from a stream of bytes until it ends; what never ends in a line is let go of. */
const readLines = async (
  stream: ReadableStream<Uint8Array>,
  onLine: (line: string) => void,
  isOver: () => boolean,
): Promise<void> => {
  const reader = stream.getReader();
  const decoder = new TextDecoder();
  let rest = '';
  try {
    while (!isOver()) {
      const { done, value } = await reader.read();
      if (done) return;
      const lines = (rest + decoder.decode(value, { stream: true })).split(/\r\n|\n|\r/);
      rest = (lines.pop() ?? '').slice(-LONGEST);
      for (const line of lines) onLine(line);
    }
  } finally {
    await reader.cancel().catch(() => {});
    reader.releaseLock();
  }
};

/** Opens a cable that the person chooses, and gives its lines in the form of the protocol until the returned function is called or the cable comes out.
 *  Refuses: serial-not-here, serial-not-opened, and what plainReader refuses. */
export const openSerial = async (
  tool: SerialTool,
  { onLine, onCut }: { readonly onLine: (line: string) => void; readonly onCut: () => void },
): Promise<Result<() => void, SerialRefusal>> => {
  const serial = serialHere();
  if (!serial) return refused({ code: 'serial-not-here' });
  let read: PlainReader = (text) => text;
  if (tool.pattern.trim() !== '') {
    const reader = plainReader(tool.pattern, tool);
    if (!reader.ok) return reader;
    read = reader.value;
  }
  let port: Port;
  try {
    port = await serial.requestPort();
    await port.open({ baudRate: tool.baudRate });
  } catch (error) {
    return refused({ code: 'serial-not-opened', why: error instanceof Error ? error.message : '' });
  }
  let isOver = false;
  const over = (): void => {
    isOver = true;
    void port.close().catch(() => {});
  };
  if (port.readable)
    void readLines(
      port.readable,
      // What a tool says beside its readings is garbage to the feed, and said to be.
      (text) => onLine(read(text, performance.now()) ?? text),
      () => isOver,
    )
      .catch(() => {})
      .then(() => {
        if (!isOver) onCut();
        over();
      });
  return accepted(over);
};
