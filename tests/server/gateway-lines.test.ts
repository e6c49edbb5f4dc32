import { createServer, type Server, type Socket } from 'node:net';
import { afterEach, beforeEach, expect, test } from 'vitest';
import { gatewayLines, type RelayedLine } from '#server/devices/gateway-lines.ts';

let server: Server;
let sockets: Set<Socket>;
let port: number;

const listen = (at = 0): Promise<number> =>
  new Promise((resolve) => {
    server = createServer((socket) => {
      sockets.add(socket);
      socket.on('close', () => sockets.delete(socket));
      socket.on('error', () => {});
    }).listen(at, '127.0.0.1', () => resolve((server.address() as { port: number }).port));
  });
beforeEach(async () => {
  sockets = new Set();
  port = await listen();
});
afterEach(async () => {
  for (const socket of sockets) socket.destroy();
  await new Promise((done) => server.close(done));
});

const say = (...lines: readonly object[]): void => {
  for (const socket of sockets) socket.write(lines.map((line) => `${JSON.stringify(line)}\n`).join(''));
};
const peak = (number: number) => ({ kind: 'peak', device: 'W', number, at: number, unit: 'N.m', peak: 5 });
const hello = (number: number) => ({ kind: 'hello', device: 'W', number, at: 0, is: 'wrench', unit: 'N.m' });

/** The next lines that a listener is told, beside what is with the gateway. */
const lines = async (from: AsyncGenerator<RelayedLine>, count: number) => {
  const told: { id: string; line: string }[] = [];
  while (told.length < count) {
    const { value } = await from.next();
    if (value && 'line' in value) told.push(value);
  }
  return told;
};
const numbers = (told: readonly { line: string }[]) =>
  told.map(({ line }) => (JSON.parse(line) as { number: number }).number);
const connected = async (from: AsyncGenerator<RelayedLine>): Promise<void> => {
  for (;;) {
    const { value } = await from.next();
    if (value && 'gateway' in value && value.gateway === 'connected') return;
  }
};

test('every listener is told every line, once and in order, over one connection', async () => {
  const all = Array.from({ length: 5 }, () => gatewayLines(port, null));
  await Promise.all(all.map(connected));
  expect(sockets.size).toBe(1);
  for (let number = 1; number <= 500; number += 1) say(peak(number));
  for (const told of await Promise.all(all.map((each) => lines(each, 500))))
    expect(numbers(told)).toEqual(Array.from({ length: 500 }, (_, at) => at + 1));
  for (const each of all) await each.return(undefined);
});

test('who comes back goes on after what it had; who comes later is greeted by the devices as they stand', async () => {
  const first = gatewayLines(port, null);
  await connected(first);
  say(hello(0), peak(1), peak(2));
  const [, one] = await lines(first, 2);
  await lines(first, 1);
  const back = gatewayLines(port, one?.id ?? null);
  say(peak(3));
  expect(numbers(await lines(back, 2))).toEqual([2, 3]);
  const later = gatewayLines(port, null);
  const [greeting] = await lines(later, 1);
  expect(JSON.parse(greeting?.line ?? '')).toMatchObject({ kind: 'hello', device: 'W', number: 3 });
  // A place that this process never gave is none to go on from.
  const foreign = gatewayLines(port, 'ffffffff-1');
  expect(JSON.parse((await lines(foreign, 1))[0]?.line ?? '')).toMatchObject({ kind: 'hello' });
  for (const each of [first, back, later, foreign]) await each.return(undefined);
});

test('a gateway that went is said to be away, and heard again once it is back', async () => {
  const listener = gatewayLines(port, null);
  await connected(listener);
  for (const socket of sockets) socket.destroy();
  await new Promise((done) => server.close(done));
  let told: RelayedLine | undefined;
  while (!(told && 'gateway' in told && told.gateway === 'away')) told = (await listener.next()).value;
  await listen(port);
  await connected(listener);
  say(peak(7));
  expect(numbers(await lines(listener, 1))).toEqual([7]);
  await listener.return(undefined);
}, 20_000);

test('a line that never ends is hung up on, and what comes after is heard', async () => {
  const listener = gatewayLines(port, null);
  await connected(listener);
  const [talker] = [...sockets];
  const isHungUp = new Promise((done) => talker?.once('close', done));
  const more = (): void => {
    if (talker?.writable) talker.write('x'.repeat(200_000), more);
  };
  more();
  await isHungUp;
  await connected(listener);
  say(peak(1));
  expect(numbers(await lines(listener, 1))).toEqual([1]);
  await listener.return(undefined);
});

test('no more devices are greeted for than a workshop has', async () => {
  const first = gatewayLines(port, null);
  await connected(first);
  for (let device = 0; device < 300; device += 1) say({ ...hello(1), device: `W${device}` });
  await lines(first, 300);
  const later = gatewayLines(port, null);
  say(peak(2));
  const told = await lines(later, 201);
  expect(told.filter(({ line }) => line.includes('hello'))).toHaveLength(200);
  for (const each of [first, later]) await each.return(undefined);
});
