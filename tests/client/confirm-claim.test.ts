import { expect, test } from 'vitest';
import { claimDevice, claimedHere } from '#client/device/claimed.ts';
import { confirmClaim } from '#client/device/confirm-claim.ts';
import { readOutbox } from '#client/outbox/store.ts';
import { TECHNICIAN } from '../core/job/sample-job.ts';
import { inABrowser } from './browser.ts';

inABrowser();

const EKO = { id: '0190a000-0000-7000-8000-0000000000e0', name: 'Eko', role: 'technician' } as const;
const CLAIM = {
  claimed: EKO,
  by: TECHNICIAN,
  since: '2026-11-02T08:00:00.000Z',
  job: '0190a000-0000-7000-8000-0000000000f0',
};

test('whoever was said to be here confirms it by signing in, once; nobody else does', async () => {
  claimDevice(CLAIM);
  await confirmClaim(TECHNICIAN);
  expect(claimedHere.snapshot()).toEqual(CLAIM);
  expect((await readOutbox()).entries).toEqual([]);
  await confirmClaim(EKO);
  await confirmClaim(EKO);
  expect(claimedHere.snapshot()).toBeNull();
  expect((await readOutbox()).entries.map(({ event }) => event)).toMatchObject([
    { kind: 'take-over-confirmed', job: CLAIM.job, person: EKO, body: { since: CLAIM.since } },
  ]);
});
