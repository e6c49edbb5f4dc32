import { describe, expect, test } from 'vitest';
import { valueOrThrow } from '#core/fault.ts';
import { preloadFacts } from '#core/preload/preload-facts.ts';
import { proofWarning } from '#core/preload/proof-warning.ts';
import { resolvedRequirement } from '#core/spec/requirement/resolved-requirement.ts';
import { pastProof } from '#core/view/past-proof.ts';
import { SampleJob, samplePlan } from '../job/sample-job.ts';

const asked = (printed: string, thread = 'M6', propertyClass: '8.8' | '12.9' = '8.8') => ({
  thread,
  propertyClass,
  requirement: valueOrThrow(resolvedRequirement(printed, 'N.m')).requirement,
  lubrication: 'not-stated' as const,
});

describe('a requirement that takes its screw past 90 % of proof where friction is low', () => {
  test('M6 8.8: 8 N·m is within it, 14 is not; of class 12.9 both are', () => {
    expect(proofWarning(asked('8 Nm'))).toBeNull();
    const warning = proofWarning(asked('14 Nm'));
    expect(warning).toMatchObject({ thread: 'M6', propertyClass: '8.8' });
    expect(warning?.share).toBeGreaterThan(0.9);
    expect(proofWarning(asked('14 Nm', 'M6', '12.9'))).toBeNull();
  });

  test('it is the upper limit that counts, and it says what the whole sum says', () => {
    expect(proofWarning(asked('9 to 14 Nm'))?.torqueNm).toBeCloseTo(14, 9);
    const typed = {
      thread: 'M6',
      torque: '14 Nm',
      propertyClass: '8.8',
      surface: 'dry-steel',
      nut: '',
    } as const;
    const found = preloadFacts(
      { ...typed, engagementMm: '', clampedMm: '', stretchMm: '', angleDegrees: '' },
      'N.m',
    );
    const whole = found?.ok ? found.value.band.shareOfProof?.atLowFriction : null;
    expect(proofWarning(asked('14 Nm'))?.share).toBeCloseTo(whole ?? 0, 12);
  });

  test('oiled, less torque is too much; a thread that can’t be read says nothing', () => {
    expect(proofWarning({ ...asked('10 Nm'), lubrication: 'oiled' })).not.toBeNull();
    expect(proofWarning(asked('14 Nm', 'whatever fits'))).toBeNull();
  });

  test('on a job, those alike are said together; where no class is known, nothing', () => {
    const plan = samplePlan(['14 Nm', '14 Nm', '14 Nm']);
    const [first, second, third] = plan.fasteners;
    if (!first || !second || !third) throw new Error('three were planned');
    const known = { thread: 'M6', propertyClass: '8.8' } as const;
    const fasteners = [
      { ...first, ...known },
      { ...second, ...known },
      { ...third, thread: 'M6' },
    ];
    const { state } = new SampleJob({ ...plan, fasteners });
    expect(pastProof(state).map(({ positions }) => positions)).toEqual([['1', '2']]);
  });
});
