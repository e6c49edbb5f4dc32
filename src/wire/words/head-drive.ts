import type { Drive } from '#core/tool/drive.ts';

/** The names of what a head is driven by. */
export const HEAD_DRIVE_WORDS: Record<Drive, string> = {
  slot: 'slot',
  cross: 'cross',
  'hex-socket': 'hex socket',
  square: 'square',
  lobed: 'lobed',
  'hex-head': 'hex head',
  'slotted-nut': 'slotted nut',
  'flare-nut': 'flare nut',
  'round-connector': 'round connector',
};
