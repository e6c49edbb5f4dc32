import { describe, expect, test } from 'vitest';
import { decodeText, LIST_MAX_BYTES } from '#core/spec/list/decode-text.ts';

const utf8 = (text: string) => new TextEncoder().encode(text);
const bytes = (...values: readonly number[]) => Uint8Array.from(values);
const code = (input: Uint8Array) => {
  const result = decodeText(input);
  return result.ok ? null : result.refusal.code;
};

describe('text of a file’s bytes', () => {
  test('UTF-8, with or without a byte order mark', () => {
    expect(decodeText(utf8('a·µ'))).toEqual({ ok: true, value: { text: 'a·µ', encoding: 'UTF-8' } });
    expect(decodeText(bytes(0xef, 0xbb, 0xbf, 0x61))).toEqual({
      ok: true,
      value: { text: 'a', encoding: 'UTF-8' },
    });
  });

  test('Latin-1 bytes that are no UTF-8 are read as such: ± ° · µ', () => {
    expect(decodeText(bytes(0x36, 0xb1, 0x30, 0xb0, 0xb7, 0xb5))).toEqual({
      ok: true,
      value: { text: '6±0°·µ', encoding: 'Latin-1' },
    });
  });

  test('UTF-16 with its mark, as spreadsheets write it', () => {
    expect(decodeText(bytes(0xff, 0xfe, 0x61, 0x00, 0xb1, 0x00))).toEqual({
      ok: true,
      value: { text: 'a±', encoding: 'UTF-16' },
    });
  });

  test.each([
    { name: 'nothing', given: bytes(), expected: 'list-empty' },
    { name: 'white space', given: utf8(' \r\n\t '), expected: 'list-empty' },
    { name: 'a workbook', given: bytes(0x50, 0x4b, 0x03, 0x04, 0x20), expected: 'list-is-spreadsheet' },
    { name: 'a picture', given: bytes(0x89, 0x50, 0x4e, 0x47, 0x00, 0x00), expected: 'list-not-text' },
    {
      name: 'one byte too many',
      given: new Uint8Array(LIST_MAX_BYTES + 1).fill(0x61),
      expected: 'list-too-large',
    },
  ])('$name: $expected', ({ given, expected }) => {
    expect(code(given)).toBe(expected);
  });

  test('as many bytes as a list may have', () => {
    expect(code(new Uint8Array(LIST_MAX_BYTES).fill(0x61))).toBeNull();
  });
});
