import { createServer as createHttpServer } from 'node:http';
import { createServer, type Socket } from 'node:net';
import { createInterface } from 'node:readline';
import { type Pull, pulledCurve } from './pulled-curve.ts';

// Simulated devices of a bench: an electronic wrench, an electronic screwdriver, a torque tester, a dial indicator and a thermometer. They speak lines of JSON over TCP
// (docs/device-protocol.md); tests and the demo move them over HTTP. Ports come from the environment; it prints nothing.

const linePort = Number(process.env['JENTIK_DEVICES_PORT']);
const handPort = Number(process.env['JENTIK_DEVICES_HAND_PORT']);
const BODY_MAX = 100_000;
const PART_MS = 20;
const TORQUE_MAX = 2_000;

const DEVICES = [
  { device: 'BL-E001', is: 'wrench', unit: 'N.m' },
  { device: 'BL-E002', is: 'screwdriver', unit: 'N.m' },
  { device: 'BT-1', is: 'tester', unit: 'N.m' },
  { device: 'IN-1', is: 'indicator', unit: 'mm' },
  { device: 'TH-1', is: 'thermometer', unit: '°C' },
] as const;

const listeners = new Set<Socket>();
/** The job that each was told to work for. */
const jobs = new Map<string, string>();
const counts = new Map<string, number>();
const startedAt = performance.now();
const now = (): number => Math.round(performance.now() - startedAt);

const say = (line: object): void => {
  const text = `${JSON.stringify(line)}\n`;
  for (const socket of listeners) socket.write(text);
};
const next = (device: string): number => {
  const number = (counts.get(device) ?? 0) + 1;
  counts.set(device, number);
  return number;
};

const hear = (line: string): void => {
  try {
    const { kind, device, job } = JSON.parse(line) as Record<string, unknown>;
    if (kind === 'job' && typeof device === 'string' && typeof job === 'string') jobs.set(device, job);
  } catch {
    // What is not understood is not heard.
  }
};

createServer((socket) => {
  listeners.add(socket);
  createInterface({ input: socket })
    .on('line', hear)
    .on('error', () => {});
  socket.on('close', () => listeners.delete(socket));
  socket.on('error', () => listeners.delete(socket));
  for (const { device, is, unit } of DEVICES)
    socket.write(
      `${JSON.stringify({ kind: 'hello', device, number: counts.get(device) ?? 0, at: now(), is, unit })}\n`,
    );
}).listen(linePort, '127.0.0.1');

type Hand = Pull & {
  readonly device: string;
  readonly unit?: string;
  readonly job?: string;
  /** Sends the curve at this many points a second; without it only the peak. */
  readonly rate?: number;
};

/** Lets a device feel a pull: its peak alone, or its curve as it is pulled. Resolves when it is over. */
const pull = async ({ device, unit = 'N.m', job, rate, ...pulled }: Hand): Promise<void> => {
  const number = next(device);
  const own = job ?? jobs.get(device);
  const told = own === undefined ? {} : { job: own };
  if (rate === undefined) {
    const angle = pulled.angle === undefined ? {} : { angle: pulled.angle };
    say({ kind: 'peak', device, number, at: now(), unit, ...told, ...angle, peak: pulled.torque });
    return;
  }
  const points = pulledCurve(pulled, rate);
  const begunAt = performance.now();
  let part = 0;
  let sent = 0;
  while (sent < points.length) {
    await new Promise((resolve) => setTimeout(resolve, PART_MS));
    const until = points.findIndex(([ms]) => ms > performance.now() - begunAt);
    const due = points.slice(sent, Math.min(until < 0 ? points.length : until, sent + 500));
    if (due.length === 0) continue;
    say({ kind: 'points', device, number, at: now(), unit, part, ...told, points: due });
    part += 1;
    sent += due.length;
  }
  say({ kind: 'end', device, number, at: now(), parts: part });
};

type Asked =
  | ({ readonly do: 'pull' } & Hand)
  | { readonly do: 'level'; readonly device: string; readonly unit: string; readonly value: number }
  | { readonly do: 'raw'; readonly text: string }
  | { readonly do: 'cut' };

const act = async (asked: Asked): Promise<boolean> => {
  switch (asked.do) {
    case 'pull':
      if (!(asked.torque > 0 && asked.torque <= TORQUE_MAX)) return false;
      await pull(asked);
      return true;
    case 'level':
      say({
        kind: 'level',
        device: asked.device,
        number: next(asked.device),
        at: now(),
        unit: asked.unit,
        value: asked.value,
      });
      return true;
    case 'raw':
      for (const socket of listeners) socket.write(asked.text);
      return true;
    case 'cut':
      for (const socket of listeners) socket.destroy();
      return true;
    default:
      return false;
  }
};

createHttpServer((request, response) => {
  let body = '';
  request.on('data', (chunk: Buffer) => {
    body += chunk.toString();
    if (body.length > BODY_MAX) request.destroy();
  });
  request.on('end', () => {
    void (async () => {
      try {
        const isDone = request.method === 'POST' && (await act(JSON.parse(body) as Asked));
        response.writeHead(isDone ? 204 : 400).end();
      } catch {
        response.writeHead(400).end();
      }
    })();
  });
}).listen(handPort, '127.0.0.1');
