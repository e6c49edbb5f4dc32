import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { isPlainText } from '#core/plain-text.ts';
import { readJson } from '#server/http/read-json.ts';

const read = (text: string) => readJson(Buffer.from(text));

describe('a body before anybody asks what it means', () => {
  test.each([
    ['bytes that are not UTF-8', Buffer.from([0x22, 0xff, 0x22]), 'is not UTF-8'],
    ['half a character cut off', Buffer.from([0x22, 0xe2, 0x82]), 'is not UTF-8'],
    ['nothing', Buffer.alloc(0), 'is not JSON'],
    ['a mark of the byte order', Buffer.from('\ufeff{}'), 'is not JSON'],
    ['a text that does not end', Buffer.from('{"a":"'), 'is not JSON'],
    ['arrays in arrays', Buffer.from('['.repeat(90) + ']'.repeat(90)), 'is nested too deep'],
    ['arrays in arrays, spaced out', Buffer.from('[ \n'.repeat(90) + ']'.repeat(90)), 'is nested too deep'],
    ['objects in objects', Buffer.from(`${'{"a":'.repeat(90)}1${'}'.repeat(90)}`), 'is nested too deep'],
    ['two million brackets', Buffer.from('['.repeat(2_000_000)), 'is nested too deep'],
    [
      'half a character, escaped',
      Buffer.from('{"a":["\\ud800"]}'),
      'holds a control character, or half a character',
    ],
    ['a NUL', Buffer.from('{"a":"\\u0000"}'), 'holds a control character, or half a character'],
    ['a bell', Buffer.from('{"a":"\\u0007"}'), 'holds a control character, or half a character'],
    ['a backspace', Buffer.from('{"a":"x\\b"}'), 'holds a control character, or half a character'],
    ['a delete', Buffer.from('{"a":"x\u007f"}'), 'holds a control character, or half a character'],
    ['a turned direction', Buffer.from('{"a":"\u202eyA"}'), 'holds a control character, or half a character'],
    ['a NUL in a key', Buffer.from('{"a\\u0000":1}'), 'has a key that nothing here has'],
    [
      'a length that is no number',
      Buffer.from('{"a":{"length":{"toString":"x"}}}'),
      'has a key that nothing here has',
    ],
    [
      'the same, spelled by escapes',
      Buffer.from('{"a":{"\\u006cength":{}}}'),
      'has a key that nothing here has',
    ],
    ['a prototype', Buffer.from('{"__proto__":{"x":1}}'), 'has a key that nothing here has'],
  ])('%s is told so', (_, bytes, message) => {
    expect(readJson(bytes)).toMatchObject({ ok: false, refusal: { message } });
  });

  test('says where', () => {
    expect(read('{"events":[{"body":{"why":"\\ud800"}}]}')).toEqual({
      ok: false,
      refusal: { path: 'events.0.body.why', message: 'holds a control character, or half a character' },
    });
  });

  test.each([
    '{"a":"[[[[ {\\"b\\":"}',
    '{"a":"\\\\"}',
    '"😀 Ω é"',
    '{"a":"\\u00e9"}',
    '{"a":"two\\nlines\\tand\\r\\n"}',
    '[]',
    '1e400',
    'null',
  ])('%s is taken', (text) => {
    expect(read(text)).toEqual({ ok: true, value: JSON.parse(text) });
  });

  test('property: what JSON writes of any value of ours is read as that value', () => {
    const json = fc.jsonValue({ maxDepth: 8, depthSize: 'medium', stringUnit: 'grapheme' });
    fc.assert(
      fc.property(json, (value) => {
        const text = JSON.stringify(value);
        fc.pre(
          !/"(?:length|__proto__)"/.test(text) &&
            isPlainText(JSON.stringify(value).replace(/\\u[0-9a-f]{4}|\\[bf]/g, '\0')),
        );
        expect(read(text)).toEqual({ ok: true, value: JSON.parse(text) });
      }),
    );
  });
});
