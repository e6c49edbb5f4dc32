import { describe, expect, test } from 'vitest';
import { valueOrThrow } from '#core/fault.ts';
import { type PreloadTyped, preloadFacts } from '#core/preload/preload-facts.ts';

const TYPED: PreloadTyped = {
  thread: 'M8',
  torque: '22 Nm',
  propertyClass: '8.8',
  surface: 'dry-steel',
  nut: '',
  engagementMm: '',
  clampedMm: '',
  stretchMm: '',
  angleDegrees: '',
};
const found = (part: Partial<PreloadTyped>) => {
  const result = preloadFacts({ ...TYPED, ...part }, 'N.m');
  if (!result) throw new Error('nothing was asked');
  return valueOrThrow(result);
};

describe('a screw asked about', () => {
  test('nothing is said until thread and torque are there, and what can’t be read is said', () => {
    expect(preloadFacts({ ...TYPED, thread: ' ' }, 'N.m')).toBeNull();
    expect(preloadFacts({ ...TYPED, torque: '' }, 'N.m')).toBeNull();
    expect(preloadFacts({ ...TYPED, thread: 'thick' }, 'N.m')).toMatchObject({ ok: false });
    expect(preloadFacts({ ...TYPED, torque: '18 pounds' }, 'N.m')).toMatchObject({ ok: false });
  });
  test('the highest that the print allows is what the screw must bear', () => {
    expect(found({ torque: '20 to 24 Nm' }).torqueNm).toBe(24);
    expect(found({ torque: '160 lbf.in' }).torqueNm).toBeCloseTo(18.0776, 3);
  });
  test('past 90 % of proof where friction is low, it is said; with another class it is not', () => {
    expect(found({ torque: '32 Nm' }).isPastProof).toBe(true);
    expect(found({ torque: '32 Nm', propertyClass: '12.9' }).isPastProof).toBe(false);
    expect(found({ torque: '32 Nm', propertyClass: '' }).isPastProof).toBe(false);
  });
  test('stripping, stretch and turn are worked out where they were asked for', () => {
    const plain = found({});
    expect([plain.stripping, plain.stretch, plain.turn]).toEqual([null, null, null]);
    const all = found({
      nut: 'aluminium-cast',
      engagementMm: '6',
      clampedMm: '20',
      stretchMm: '0,05',
      angleDegrees: '60',
    });
    expect(all.stripping?.weakest).toBe('nut-thread');
    // 23 mm of M8 under 0.05 mm: 205 000·36.6/23·0.05.
    expect((all.stretch?.measuredN ?? 0) / ((205_000 * all.thread.stressAreaMm2 * 0.05) / 23)).toBeCloseTo(
      1,
      9,
    );
    expect(all.turn?.forceN).toBeGreaterThan(0);
  });
});
