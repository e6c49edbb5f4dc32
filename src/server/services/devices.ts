import { accepted, type Result, refused } from '#core/result.ts';
import type { DeviceHand, DeviceTold } from '#wire/device.ts';
import type { Problem } from '#wire/problems/problem.ts';
import { gatewayLines, type RelayedLine, tellGateway } from '../devices/gateway-lines.ts';

const port = (name: string): number | null => Number(process.env[name] ?? '') || null;

/** What the devices of the bench say, as it comes, until whoever listens leaves; from after a place on where one is named.
 *  Refuses: no-device (no gateway is connected). */
export const deviceLines = (after: string | null): Result<AsyncGenerator<RelayedLine>, Problem> => {
  const linePort = port('JENTIK_DEVICES_PORT');
  return linePort ? accepted(gatewayLines(linePort, after)) : refused({ code: 'no-device' });
};

/** Lets a simulated device feel something. Refuses: no-device. */
export const moveDevice = async (hand: DeviceHand): Promise<Result<null, Problem>> => {
  const handPort = port('JENTIK_DEVICES_HAND_PORT');
  if (!handPort) return refused({ code: 'no-device' });
  const answer = await fetch(`http://127.0.0.1:${handPort}`, {
    method: 'POST',
    body: JSON.stringify(hand),
  }).catch(() => null);
  return answer?.ok ? accepted(null) : refused({ code: 'no-device' });
};

/** Tells a device whose job it works for: what it reads from now on says so, where the device can. Refuses: no-device. */
export const tellDevice = ({ device, job }: DeviceTold): Result<null, Problem> => {
  const linePort = port('JENTIK_DEVICES_PORT');
  return linePort && tellGateway(linePort, { kind: 'job', device, job })
    ? accepted(null)
    : refused({ code: 'no-device' });
};
