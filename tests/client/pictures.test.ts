import { beforeEach, describe, expect, test, vi } from 'vitest';
import { forgetPicture, keepPicture, keptPictures } from '#client/pictures/kept-pictures.ts';
import { startSendingPictures } from '#client/pictures/send-pictures.ts';
import { takenPicture } from '#client/pictures/take-picture.ts';
import { sha256Hex } from '#core/text-hash.ts';
import { TECHNICIAN } from '../core/job/sample-job.ts';
import { inABrowser, siteAnswering } from './browser.ts';
import { eventually } from './eventually.ts';

inABrowser();

const JOB = '0190a000-0000-7000-8000-0000000000b1';
// Eight bytes that every PNG begins with (RFC 2083, 3.1); what follows is nobody's business here.
const SIGNATURE = String.fromCharCode(0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a);
const bytesOf = (text: string) => Uint8Array.from(text, (each) => each.charCodeAt(0));
const fileOf = (text: string, name = 'strip.png') => new File([bytesOf(text)], name, { type: 'image/png' });
const kept = (change: object = {}) => ({
  id: '0190a000-0000-7000-8000-0000000000f1',
  job: JOB,
  personId: TECHNICIAN.id,
  name: 'strip.png',
  contentBase64: 'iVBORw0KGgo=',
  thumbnailBase64: null,
  refused: null,
  ...change,
});
const attachment = (id: string) => ({
  id,
  name: 'strip.png',
  mediaType: 'image/png',
  size: 8,
  sha256: 'a'.repeat(64),
  addedBy: 'Tam',
  addedAt: '2026-11-02T08:00:00.000Z',
});

beforeEach(async () => {
  for (const { id } of await keptPictures()) await forgetPicture(id);
  // The reader of files that a browser has.
  vi.stubGlobal(
    'FileReader',
    class {
      result = '';
      onload: (() => void) | null = null;
      readAsDataURL(file: File): void {
        void file.arrayBuffer().then((buffer) => {
          this.result = `data:;base64,${Buffer.from(buffer).toString('base64')}`;
          this.onload?.();
        });
      }
    },
  );
});

describe('photographs on this device', () => {
  test('one that is taken is kept, and named by an id and its hash', async () => {
    const taken = await takenPicture(fileOf(SIGNATURE), JOB, TECHNICIAN);
    const [picture] = await keptPictures();
    expect(taken).toMatchObject({ ok: true, value: { attachmentId: picture?.id } });
    expect(picture).toMatchObject({ job: JOB, personId: TECHNICIAN.id, contentBase64: 'iVBORw0KGgo=' });
    // FIPS 180-4 over the eight bytes, by the machine's own library.
    const { createHash } = await import('node:crypto');
    const hash = createHash('sha256').update(bytesOf(SIGNATURE)).digest('hex');
    expect(taken.ok && taken.value.sha256).toBe(hash);
    expect(sha256Hex('')).not.toBe(hash);
  });

  test('what is no picture, and what is too large, is refused and not kept', async () => {
    expect(await takenPicture(fileOf('a letter'), JOB, TECHNICIAN)).toMatchObject({
      refusal: { code: 'attachment-type' },
    });
    const large = { size: 12_000_001 } as File;
    expect(await takenPicture(large, JOB, TECHNICIAN)).toMatchObject({
      refusal: { code: 'attachment-too-large' },
    });
    expect(await keptPictures()).toEqual([]);
  });

  test('waits without a connection, and is sent once there is one', async () => {
    let isAway = true;
    const asked = siteAnswering((_, body) =>
      isAway ? 'no-connection' : { status: 200, body: attachment((body as { id: string }).id) },
    );
    await keepPicture(kept());
    const stop = startSendingPictures(TECHNICIAN);
    await eventually(() => expect(asked).toHaveLength(1));
    expect(await keptPictures()).toHaveLength(1);
    isAway = false;
    window.dispatchEvent(new Event('online'));
    await eventually(async () => expect(await keptPictures()).toEqual([]));
    expect(asked.at(-1)).toMatchObject({ path: `/api/v1/attachments/job/${JOB}`, body: { id: kept().id } });
    stop();
  });

  test('another person’s waits for them; one that is refused stays, with why, and holds up no other', async () => {
    const other = kept({ id: '0190a000-0000-7000-8000-0000000000f2', personId: JOB });
    const bad = kept({ id: '0190a000-0000-7000-8000-0000000000f0' });
    const problem = {
      type: 'about:blank',
      title: 'Not a picture',
      status: 422,
      detail: 'x',
      fix: 'y',
      retry: false,
      problem: { code: 'attachment-type' },
    };
    siteAnswering((_, body) => {
      const { id } = body as { id: string };
      return id === bad.id ? { status: 422, body: problem } : { status: 200, body: attachment(id) };
    });
    for (const each of [other, bad, kept()]) await keepPicture(each);
    const stop = startSendingPictures(TECHNICIAN);
    await eventually(async () => expect(await keptPictures()).toHaveLength(2));
    await eventually(async () =>
      expect((await keptPictures()).map(({ id, refused }) => [id, refused])).toEqual([
        [bad.id, 'Not a picture'],
        [other.id, null],
      ]),
    );
    stop();
  });
});
