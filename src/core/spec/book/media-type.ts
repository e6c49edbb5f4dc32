/** Kinds of file that can be attached. */
export const ATTACHMENT_TYPES = ['image/jpeg', 'image/png', 'image/webp', 'application/pdf'] as const;
export type AttachmentType = (typeof ATTACHMENT_TYPES)[number];

const SIGNATURES: readonly (readonly [AttachmentType, (bytes: Uint8Array) => boolean])[] = [
  ['image/jpeg', (b) => b[0] === 0xff && b[1] === 0xd8 && b[2] === 0xff],
  ['image/png', (b) => text(b, 1, 4) === 'PNG' && b[0] === 0x89],
  ['image/webp', (b) => text(b, 0, 4) === 'RIFF' && text(b, 8, 12) === 'WEBP'],
  ['application/pdf', (b) => text(b, 0, 5) === '%PDF-'],
];

const text = (bytes: Uint8Array, from: number, to: number): string =>
  String.fromCharCode(...bytes.subarray(from, to));

/** What a file is by its first bytes, whatever its name says; null for a kind that is not attached. */
export const attachmentType = (bytes: Uint8Array): AttachmentType | null =>
  SIGNATURES.find(([, fits]) => fits(bytes))?.[0] ?? null;
