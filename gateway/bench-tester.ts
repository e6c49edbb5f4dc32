import { createServer as createHttpServer } from 'node:http';
import { createServer, type Socket } from 'node:net';

// The simulated bench torque tester: speaks lines of JSON over TCP, one for each peak it feels. Tests and the demo let it feel a pull over
// HTTP. Ports come from the environment; it prints nothing.

const linePort = Number(process.env['JENTIK_TESTER_PORT']);
const handPort = Number(process.env['JENTIK_TESTER_HAND_PORT']);
const BODY_MAX = 1_000;
const TORQUE_MAX_NEWTON_METRES = 2_000;
const listeners = new Set<Socket>();
let count = 0;

createServer((socket) => {
  listeners.add(socket);
  socket.on('close', () => listeners.delete(socket));
  socket.on('error', () => listeners.delete(socket));
}).listen(linePort, '127.0.0.1');

const feel = (torqueNewtonMetres: number): void => {
  count += 1;
  const line = JSON.stringify({ device: 'tester', number: count, peakNewtonMetres: torqueNewtonMetres });
  for (const socket of listeners) socket.write(`${line}\n`);
};

createHttpServer((request, response) => {
  let body = '';
  request.on('data', (chunk: Buffer) => {
    body += chunk.toString();
    if (body.length > BODY_MAX) request.destroy();
  });
  request.on('end', () => {
    const torque = Number(new URLSearchParams(body).get('torque'));
    const isTorque = request.method === 'POST' && torque > 0 && torque <= TORQUE_MAX_NEWTON_METRES;
    if (isTorque) feel(torque);
    response.writeHead(isTorque ? 204 : 400).end();
  });
}).listen(handPort, '127.0.0.1');
