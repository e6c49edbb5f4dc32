import { describe, expect, test } from 'vitest';
import { audit } from '#core/ledger/audit.ts';
import { nextAction } from '#core/view/next-action.ts';
import { isReadyToSign } from '#core/view/open-items.ts';
import { toolsToWind } from '#core/view/wind-down.ts';
import { SampleJob, TOOL, taken } from '../job/sample-job.ts';

const toWind = (job: SampleJob) =>
  toolsToWind(job.state).map(({ taken: { tool }, to }) => [tool.code, to.text]);
const done = (schools = {}) => new SampleJob(['20 to 24 in-lb'], schools).ready().pull('1');
const down = (text: string, unit = 'lbf.in') =>
  ({
    kind: 'tools-wound-down',
    body: { tools: [{ toolId: TOOL.id, setting: { text, value: Number(text), unit } }] },
  }) as never;

describe('winding down', () => {
  test('a tool that is set is wound down to its lowest mark, or to nothing where the site does so', () => {
    expect(toWind(done())).toEqual([['T-1', '5']]);
    expect(toWind(done({ windingDown: 'zero' }))).toEqual([['T-1', '0']]);
    expect(toWind(new SampleJob().ready())).toEqual([]);
  });

  test.each(['electronic', 'dial', 'preset-screwdriver', 'torque-limiting-key'] as const)(
    'a tool of the kind %s has nothing to wind down',
    (kind) => {
      const job = done();
      const tools = new Map(job.state.takenTools);
      const set = tools.get(TOOL.id);
      if (set) tools.set(TOOL.id, { ...set, tool: { ...TOOL, kind } });
      expect(toolsToWind({ ...job.state, takenTools: tools })).toEqual([]);
    },
  );

  test('it is the last thing before the signature, and holds none up', () => {
    const job = done();
    expect(nextAction(job.state, null).kind).toBe('wind-down');
    expect(isReadyToSign(job.state)).toBe(true);
    job.happen(down('5'));
    expect(nextAction(job.state, null).kind).toBe('sign');
    expect(audit(job.chain())).toEqual([]);
  });

  test('one that was put away for another is nobody’s to wind down here', () => {
    const job = done();
    const other = { ...TOOL, id: '0190a000-0000-7000-8000-0000000000d9', code: 'T-9' };
    job.happen({ kind: 'tool-chosen', body: taken(other) });
    expect(toWind(job)).toEqual([]);
  });

  test('a tool that was never taken, and another unit, are refused', () => {
    expect(new SampleJob().try(down('5'))).toMatchObject({ refusal: { code: 'tool-not-chosen' } });
    expect(done().try(down('0.5', 'N.m'))).toMatchObject({ refusal: { code: 'claim-untrue' } });
  });

  test('after it the next pull wants the tool set again', () => {
    const job = new SampleJob(['20 to 24 in-lb', '20 to 24 in-lb']).ready().pull('1');
    job.happen(down('5'));
    expect(nextAction(job.state, '2').kind).toBe('set-tool');
  });
});
