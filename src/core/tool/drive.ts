export const DRIVES = [
  'slot',
  'cross',
  'hex-socket',
  'square',
  'lobed',
  'hex-head',
  'slotted-nut',
  'flare-nut',
  'round-connector',
] as const;
/** What the bit or socket engages. */
export type Drive = (typeof DRIVES)[number];
