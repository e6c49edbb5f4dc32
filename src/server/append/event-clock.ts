import type { EventClock } from '#core/job/happened.ts';

/** How events reached the site: when, from which browser, what that browser's clock said as it sent them, and since when its person is
 *  signed in there. Null where it is not known. */
export type Contact = {
  readonly receivedAt: string;
  readonly sentAt: string | null;
  readonly device: string | null;
  readonly signedInAt: string | null;
};

/** How far a sign-in may lie after an event that was made just behind it: clocks are read to the millisecond, networks are not. */
const SLACK_MS = 2_000;

/** The time of an event by the site's clock. It lies after the person's sign-in on that device and before the receipt; outside of that
 *  it can't be true, and the receipt's time stands in for it. */
export const eventClock = (
  deviceTime: string,
  { receivedAt, sentAt, device, signedInAt }: Contact,
): EventClock => {
  const received = Date.parse(receivedAt);
  const offsetMilliseconds = sentAt === null ? null : received - Date.parse(sentAt);
  const corrected = Date.parse(deviceTime) + (offsetMilliseconds ?? 0);
  const isEarly = signedInAt !== null && corrected < Date.parse(signedInAt) - SLACK_MS;
  const finding = corrected > received ? 'after-receipt' : isEarly ? 'before-sign-in' : null;
  const correctedTime = finding ? receivedAt : new Date(corrected).toISOString();
  return { correctedTime, device, finding, offsetMilliseconds };
};
