import PDFDocument from 'pdfkit';
import sharp from 'sharp';
import { v7 as uuidv7 } from 'uuid';
import { describe, expect, test } from 'vitest';
import { valueOrThrow } from '#core/fault.ts';
import { database } from '#server/database/pool.ts';
import { attachFile } from '#server/services/attach-file.ts';
import { type AttachedForm, attachedFile } from '#server/services/attached-file.ts';
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
    // What a record names by its hash is kept as it was sent.
    const kept = valueOrThrow(await attachedFile(ID, 'original'));
    expect(Buffer.from(kept.bytes).toString('base64')).toBe(ONE);
    expect(kept).toMatchObject({ type: 'application/octet-stream', isShown: false });
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

const attach = async (content: Buffer, name = 'x') => {
  const owner = { kind: 'job', id: (await plannedJob()).job } as const;
  const file = { name, contentBase64: content.toString('base64'), thumbnailBase64: null };
  return attachFile(owner, file, await person('Tam'));
};
const code = (result: { ok: boolean; refusal?: unknown }) =>
  (result as { refusal?: { code: string } }).refusal?.code;

const SECRET = 'GPSLatitude of the workshop';
const photograph = async (format: 'jpeg' | 'png' | 'webp'): Promise<Buffer> =>
  sharp({
    create: {
      width: 400,
      height: 200,
      channels: 3,
      background: '#806040',
      noise: { type: 'gaussian', mean: 128, sigma: 60 },
    },
  })
    .withExif({ IFD0: { ImageDescription: SECRET } })
    .withMetadata({ orientation: 6 })
    .toFormat(format)
    .toBuffer();

describe('a picture is decoded to its end and shown as the site draws it', () => {
  test.each(['jpeg', 'png', 'webp'] as const)('%s: upright, without what stood beside it', async (format) => {
    const bytes = await photograph(format);
    expect(bytes.includes(SECRET)).toBe(true);
    const { id, size } = valueOrThrow(await attach(bytes));
    expect(size).toBe(bytes.length);
    for (const form of ['shown', 'small'] as const) {
      const shown = valueOrThrow(await attachedFile(id, form));
      expect(shown).toMatchObject({ type: 'image/jpeg', isShown: true });
      expect(Buffer.from(shown.bytes).includes(SECRET)).toBe(false);
      const { width = 0, height = 0, exif } = await sharp(shown.bytes).metadata();
      expect(exif).toBeUndefined();
      // Turned as it was held (Exif 2.3, Orientation 6: a quarter to the right).
      if (format === 'jpeg') expect(width).toBeLessThan(height);
      expect(Math.max(width, height)).toBeLessThanOrEqual(form === 'small' ? 320 : 2560);
    }
  });

  test.each(['jpeg', 'png', 'webp'] as const)('%s cut off, at any place, is refused', async (format) => {
    const bytes = await photograph(format);
    for (const share of [0.1, 0.5, 0.9, 0.98])
      expect(code(await attach(bytes.subarray(0, Math.round(bytes.length * share))))).toBe(
        'attachment-broken',
      );
  });

  test('what only begins as a picture is none', async () => {
    for (const start of [
      [0xff, 0xd8, 0xff],
      [0x89, 0x50, 0x4e, 0x47],
    ])
      expect(
        code(
          await attach(
            Buffer.concat([Buffer.from(start), Buffer.from('<script>alert(1)</script>'.repeat(40))]),
          ),
        ),
      ).toBe('attachment-broken');
  });

  test('a page behind a picture is never shown: the site drew what it shows', async () => {
    const both = Buffer.concat([await photograph('jpeg'), Buffer.from('<script>alert(1)</script>')]);
    const { id } = valueOrThrow(await attach(both));
    for (const form of ['shown', 'small'] as const)
      expect(Buffer.from(valueOrThrow(await attachedFile(id, form)).bytes).includes('script')).toBe(false);
  });

  test('a small file that says it is enormous is refused', async () => {
    const bytes = await sharp({ create: { width: 16_000, height: 16_000, channels: 3, background: '#000' } })
      .png()
      .toBuffer();
    expect(code(await attach(bytes))).toBe('attachment-broken');
  });

  test('one from before, of which nothing was drawn, is drawn when it is asked for', async () => {
    const { id } = valueOrThrow(await attach(await photograph('png')));
    await database().query('UPDATE attachments SET shown = NULL, thumbnail = NULL WHERE id = ?', [id]);
    for (const form of ['shown', 'small'] as const)
      expect(valueOrThrow(await attachedFile(id, form))).toMatchObject({ type: 'image/jpeg' });
  });
});

const pdf = (draw: (document: PDFKit.PDFDocument) => void, compress = true): Promise<Buffer> =>
  new Promise((resolve) => {
    const document = new PDFDocument({ compress });
    const chunks: Buffer[] = [];
    document.on('data', (chunk: Buffer) => chunks.push(chunk));
    document.on('end', () => resolve(Buffer.concat(chunks)));
    draw(document);
    document.end();
  });

/** The same PDF whose catalogue does something (ISO 32000-1, 7.7.2): what an editor that rewrites the file makes of it. */
const withCatalogue = async (said: string): Promise<Buffer> =>
  Buffer.from(
    (await pdf((document) => document.text('a manual')))
      .toString('latin1')
      .replace('/Type /Catalog', `/Type /Catalog ${said}`),
    'latin1',
  );

describe('a PDF', () => {
  test('that only shows is kept, and only ever saved', async () => {
    const { id } = valueOrThrow(
      await attach(await pdf((document) => document.text('12 N·m').addPage().text('two'))),
    );
    for (const form of ['shown', 'original'] as AttachedForm[])
      expect(valueOrThrow(await attachedFile(id, form)).isShown).toBe(false);
    expect(code(await attachedFile(id, 'small'))).toBe('not-found');
  });

  test.each([
    '/OpenAction << /S /JavaScript /JS (app.alert\\(1\\)) >>',
    '/OpenAction << /S /Launch /F (cmd.exe) >>',
    '/AA << /WC << /S /JavaScript /JS (x) >> >>',
    '/Names << /EmbeddedFiles << /Names [] >> >>',
  ])('that does something is refused: %s', async (said) => {
    expect(code(await attach(await withCatalogue(said)))).toBe('attachment-active');
  });

  test('with a file in it, packed, is refused', async () => {
    const bytes = await pdf((document) => {
      document.file(Buffer.from('MZ'), { name: 'x.exe' });
      document.text('see within');
    });
    expect(code(await attach(bytes))).toBe('attachment-active');
  });

  test('that only begins as one, or was cut off, is refused', async () => {
    const whole = await pdf((document) => document.text('a manual'));
    expect(code(await attach(Buffer.from('%PDF-1.7\n<html><script>alert(1)</script>')))).toBe(
      'attachment-broken',
    );
    expect(code(await attach(whole.subarray(0, whole.length / 2)))).toBe('attachment-broken');
  });
});

describe('what a file is attached to', () => {
  test('is there', async () => {
    const tam = await person('Tam');
    for (const kind of ['job', 'source', 'tool', 'session'] as const)
      expect(
        code(await attachFile({ kind, id: '0190a000-0000-7000-8000-00000000dead' }, picture(ONE, ID), tam)),
      ).toBe('not-found');
  });

  test('takes so many, and one person so much in a day', async () => {
    const tam = await person('Tam');
    const owner = { kind: 'job', id: (await plannedJob()).job } as const;
    const one = { name: 'x', contentBase64: ONE, thumbnailBase64: null };
    const { id } = valueOrThrow(await attachFile(owner, one, tam));
    const size = (bytes: number) =>
      database().query('UPDATE attachments SET size_bytes = ? WHERE id = ?', [bytes, id]);
    await size(2_000_000_000);
    expect(await attachFile(owner, one, tam)).toMatchObject({
      refusal: { code: 'attachments-full', of: 'day' },
    });
    expect((await attachFile(owner, one, await person('Ines'))).ok).toBe(true);
    await size(3_000_000_000);
    expect(await attachFile(owner, one, await person('Ines'))).toMatchObject({
      refusal: { code: 'attachments-full', of: 'bytes' },
    });
    await size(70);
    const rows = Array.from({ length: 1_000 }, () => [
      uuidv7(),
      'job',
      owner.id,
      'x',
      'image/png',
      '',
      1,
      '',
      'nobody',
      new Date(),
    ]);
    await database().query(
      'INSERT INTO attachments (id, owner_kind, owner_id, name, media_type, sha256, size_bytes, content, added_by, added_at) VALUES ?',
      [rows],
    );
    expect(await attachFile(owner, one, tam)).toMatchObject({
      refusal: { code: 'attachments-full', of: 'files' },
    });
  });
});
