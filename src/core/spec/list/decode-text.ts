import { accepted, type Result, refused } from '../../result.ts';

export type TextEncodingName = 'UTF-8' | 'UTF-16' | 'Latin-1';

export type DecodedText = {
  readonly text: string;
  /** What the bytes were read as; Latin-1 only when they are not valid UTF-8. */
  readonly encoding: TextEncodingName;
};

export type DecodeRefusal =
  | { readonly code: 'list-empty' }
  | { readonly code: 'list-too-large'; readonly mostBytes: number }
  | { readonly code: 'list-not-text' }
  | { readonly code: 'list-is-spreadsheet' };

/** Largest list accepted, in bytes. */
export const LIST_MAX_BYTES = 1_000_000;

const startsWith = (bytes: Uint8Array, ...mark: readonly number[]): boolean =>
  mark.every((byte, index) => bytes[index] === byte);

const decoded = (bytes: Uint8Array): DecodedText => {
  if (startsWith(bytes, 0xff, 0xfe))
    return { text: new TextDecoder('utf-16le').decode(bytes), encoding: 'UTF-16' };
  try {
    // Strips a byte order mark, and throws on bytes that are not UTF-8 rather than showing � in a label.
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), encoding: 'UTF-8' };
  } catch {
    return { text: new TextDecoder('windows-1252').decode(bytes), encoding: 'Latin-1' };
  }
};

/** Text of a file's bytes. Refuses: list-empty, list-too-large, list-is-spreadsheet, list-not-text. */
export const decodeText = (bytes: Uint8Array): Result<DecodedText, DecodeRefusal> => {
  if (bytes.length > LIST_MAX_BYTES) return refused({ code: 'list-too-large', mostBytes: LIST_MAX_BYTES });
  if (startsWith(bytes, 0x50, 0x4b, 0x03, 0x04)) return refused({ code: 'list-is-spreadsheet' });
  const result = decoded(bytes);
  if (result.text.includes('\u0000')) return refused({ code: 'list-not-text' });
  return result.text.trim() === '' ? refused({ code: 'list-empty' }) : accepted(result);
};
