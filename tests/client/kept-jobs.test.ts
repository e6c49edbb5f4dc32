import { describe, expect, test } from 'vitest';
import { jobStore } from '#client/job/job-store.ts';
import { keepOpened, keepPlaced, keptAfter, keptJobs } from '#client/offline/kept-jobs.ts';
import { keepJobPages } from '#client/offline/pages.ts';
import { JOB_ID, SampleJob, TECHNICIAN } from '../core/job/sample-job.ts';
import { inABrowser, siteAnswering } from './browser.ts';
import { eventually } from './eventually.ts';

inABrowser();

const chain = new SampleJob().ready().setFor('1').pull('1').pull('2').chain();
const headAt = (sequence: number) => ({ sequence, hash: chain[sequence - 1]?.hash ?? '' });

describe('jobs kept on this device', () => {
  test('what was placed comes back in order, from a place in the chain on', async () => {
    await keepPlaced([...chain].reverse());
    expect(await keptAfter(JOB_ID, headAt(3))).toEqual(chain.slice(3));
    expect(await keptAfter(JOB_ID, headAt(chain.length))).toEqual([]);
  });

  test('what does not follow on from there is of another life of the site, and is left', async () => {
    await keepPlaced(chain);
    expect(await keptAfter(JOB_ID, { sequence: 3, hash: 'f'.repeat(64) })).toEqual([]);
    const other = '0190a000-0000-7000-8000-00000000ffff';
    expect(await keptAfter(other, headAt(3))).toEqual([]);
  });

  test('a gap ends it', async () => {
    const job = '0190a000-0000-7000-8000-0000000000ee';
    await keepPlaced(chain.filter(({ sequence }) => sequence !== 5).map((event) => ({ ...event, job })));
    expect((await keptAfter(job, headAt(3))).map(({ sequence }) => sequence)).toEqual([4]);
  });

  test('forty jobs stay, those opened last', async () => {
    const id = (at: number) => `0190a000-0000-7000-8000-${String(at).padStart(12, '0')}`;
    for (let at = 1; at <= 43; at += 1) {
      const job = id(at);
      await keepPlaced(chain.slice(0, 2).map((event) => ({ ...event, job })));
      await keepOpened({ job, number: `J-${at}`, title: 'kept', openedAt: at });
    }
    const kept = await keptJobs();
    expect(kept).toHaveLength(40);
    expect(kept[0]?.number).toBe('J-43');
    expect(await keptAfter(id(3), { sequence: 0, hash: chain[0]?.previousHash ?? '' })).toEqual([]);
    expect(await keptAfter(id(4), { sequence: 0, hash: chain[0]?.previousHash ?? '' })).toHaveLength(2);
  });

  test('a job whose page is old starts with what the site had placed since, where the site does not answer', async () => {
    siteAnswering(() => 'no-connection');
    await keepPlaced(chain);
    const store = jobStore(JOB_ID, chain.slice(0, 2), TECHNICIAN);
    const stop = store.start();
    await eventually(() => expect(store.snapshot().isReady).toBe(true));
    expect(store.snapshot().head.sequence).toBe(chain.length);
    stop();
  });

  test('where it answers, what it says counts', async () => {
    siteAnswering(() => ({ status: 200, body: [] }));
    await keepPlaced(chain);
    const store = jobStore(JOB_ID, chain.slice(0, 2), TECHNICIAN);
    const stop = store.start();
    await eventually(() => expect(store.snapshot().isReady).toBe(true));
    expect(store.snapshot().head.sequence).toBe(2);
    stop();
  });

  test('nothing is promised where no worker gives pages out', async () => {
    expect(await keepJobPages(JOB_ID)).toBe(false);
  });
});
