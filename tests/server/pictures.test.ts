import { describe, expect, test } from 'vitest';
import { attachedFile, attachFile } from '#server/services/attach-file.ts';
import { person, plannedJob } from './sample-site.ts';

/** A picture of one point (PNG, RFC 2083), and the same with one byte more behind its end. */
const ONE =
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==';
const OTHER = Buffer.concat([Buffer.from(ONE, 'base64'), Buffer.from([0])]).toString('base64');
const ID = '0190a000-0000-7000-8000-0000000000f7';
const picture = (contentBase64: string, id: string | undefined = ID) => ({
  ...(id === undefined ? {} : { id }),
  name: 'strip.png',
  contentBase64,
  thumbnailBase64: null,
});

describe('a photograph that a device names itself', () => {
  test('sent again it is there once; another one under its id is refused', async () => {
    const tam = await person('Tam');
    const owner = { kind: 'job', id: (await plannedJob()).job } as const;
    const first = await attachFile(owner, picture(ONE), tam);
    expect(first).toMatchObject({ ok: true, value: { id: ID } });
    expect(await attachFile(owner, picture(ONE), await person('Ines'))).toEqual(first);
    expect(await attachFile(owner, picture(OTHER), tam)).toMatchObject({ refusal: { code: 'claim-untrue' } });
    const elsewhere = { kind: 'job', id: (await plannedJob()).job } as const;
    expect(await attachFile(elsewhere, picture(ONE), tam)).toMatchObject({
      refusal: { code: 'claim-untrue' },
    });
    const kept = await attachedFile(ID, false);
    expect(kept.ok && Buffer.from(kept.value.bytes).toString('base64')).toBe(ONE);
  });

  test('ten at once under one id are one', async () => {
    const tam = await person('Tam');
    const owner = { kind: 'job', id: (await plannedJob()).job } as const;
    const id = '0190a000-0000-7000-8000-0000000000f8';
    const answers = await Promise.all(
      Array.from({ length: 10 }, () => attachFile(owner, picture(ONE, id), tam)),
    );
    expect(answers.every(({ ok }) => ok)).toBe(true);
    expect(new Set(answers.map((answer) => answer.ok && answer.value.sha256)).size).toBe(1);
  });
});
