import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { valueOrThrow } from '#core/fault.ts';
import { HEAD_MARKS } from '#core/preload/head-marks.ts';
import { NUT_FACTORS, SURFACES } from '#core/preload/nut-factor.ts';
import { preloadBand, tensionN } from '#core/preload/preload-band.ts';
import { screwStressMpa } from '#core/preload/screw-stress.ts';
import { forceOfStretch, forceOfTurn, jointStiffness, stretchOfForce } from '#core/preload/stretch.ts';
import { shearAreasPerMm, stripping } from '#core/preload/stripping.ts';
import { NUT_MATERIALS } from '#core/preload/tensile-strength.ts';
import { stressDiameterMm, threadGeometry, USUAL_BEARING } from '#core/preload/thread-geometry.ts';
import { frictionOfNutFactor, torqueParts, torquePerNewton } from '#core/preload/torque-shares.ts';
import { PROPERTY_CLASSES } from '#core/spec/screw/property-class.ts';

const thread = (printed: string) => valueOrThrow(threadGeometry(printed));
const IN2_MM2 = 25.4 ** 2;

describe('threads', () => {
  // ISO 898-1:2013, tables 4 to 7, nominal stress areas in mm² as printed there (from memory).
  test.each([
    ['M3', 5.03, 0.005],
    ['M3.5', 6.78, 0.005],
    ['M4', 8.78, 0.005],
    ['M5', 14.2, 0.05],
    ['M6', 20.1, 0.05],
    ['M7', 28.9, 0.05],
    ['M8', 36.6, 0.05],
    ['M10', 58.0, 0.05],
    ['M12', 84.3, 0.05],
    ['M14', 115, 0.5],
    ['M16', 157, 0.5],
    ['M18', 192, 0.5],
    ['M20', 245, 0.5],
    ['M22', 303, 0.5],
    ['M24', 353, 0.5],
    ['M27', 459, 0.5],
    ['M30', 561, 0.5],
    ['M36', 817, 0.5],
    ['M8x1', 39.2, 0.05],
    ['M10x1.25', 61.2, 0.05],
    ['M12x1.5', 88.1, 0.05],
    ['M16x1.5', 167, 0.5],
    ['M20x1.5', 272, 0.5],
  ])('ISO 898-1 (memory): %s has a stress area of %d mm²', (printed, area, within) => {
    expect(Math.abs(thread(printed).stressAreaMm2 - area)).toBeLessThanOrEqual(within + 1e-9);
  });

  // ASME B1.1, tensile stress areas in in² (from memory).
  test.each([
    ['8-32', 0.014, 0.00005],
    ['10-24', 0.0175, 0.00005],
    ['10-32', 0.02, 0.00005],
    ['1/4-20', 0.0318, 0.00005],
    ['1/4-28', 0.0364, 0.00005],
    ['5/16-18', 0.0524, 0.00005],
    ['3/8-16', 0.0775, 0.00005],
    ['1/2-13', 0.1419, 0.00005],
    ['1-8', 0.606, 0.0005],
  ])('ASME B1.1 (memory): %s has a stress area of %d in²', (printed, area, within) => {
    expect(Math.abs(thread(printed).stressAreaMm2 / IN2_MM2 - area)).toBeLessThanOrEqual(within + 1e-9);
  });

  test('a diameter with no coarse pitch, and what is no thread, are refused', () => {
    expect(threadGeometry('M13')).toMatchObject({ ok: false, refusal: { code: 'pitch-not-known' } });
    expect(threadGeometry('M2x2')).toMatchObject({ ok: false, refusal: { code: 'pitch-not-known' } });
    expect(threadGeometry('8 mm')).toMatchObject({ ok: false, refusal: { code: 'unreadable-thread' } });
  });
});

describe('VDI 2230-1, table A1 (memory): 90 % of Rp0.2 of class 8.8, friction 0.12', () => {
  // Hex heads: bearing between the washer face and a medium hole, in millimetres (ISO 4014, ISO 273; from memory).
  test.each([
    { size: 'M8', bearing: (11.63 + 9) / 2, force: 18.6, torque: 24.6 },
    { size: 'M10', bearing: (14.63 + 11) / 2, force: 29.6, torque: 48 },
    { size: 'M12', bearing: (16.63 + 13.5) / 2, force: 43.0, torque: 84 },
  ])('$size: about $force kN and $torque N·m', ({ size, bearing, force, torque }) => {
    const m = thread(size);
    const parts = torqueParts(m, { thread: 0.12, head: 0.12 }, bearing);
    const full = (0.9 * 640) / screwStressMpa(1, parts, m, 'plastic');
    expect(Math.abs(full / 1000 / force - 1)).toBeLessThan(0.01);
    expect(Math.abs((full * torquePerNewton(parts)) / torque - 1)).toBeLessThan(0.02);
  });

  test('an elastic section bears less than one that yields whole', () => {
    const m = thread('M8');
    const parts = torqueParts(m, { thread: 0.12, head: 0.12 }, 10.3);
    expect(screwStressMpa(1000, parts, m)).toBeGreaterThan(screwStressMpa(1000, parts, m, 'plastic'));
  });

  test('by hand: σ and τ of 1 kN on M8', () => {
    const m = thread('M8');
    const parts = torqueParts(m, { thread: 0.12, head: 0.12 }, 10.3);
    // 1.25/2π + 0.12·7.188/(2·cos 30°) = 0.19894 + 0.49801 mm, times 1 kN.
    expect((parts.tension + parts.thread) * 1000).toBeCloseTo(0.19894 + 0.498, 3);
    const d = stressDiameterMm(m);
    const tau = (16 * 0.69695 * 1000) / (Math.PI * d ** 3);
    expect(screwStressMpa(1000, parts, m)).toBeCloseTo(
      Math.sqrt((1000 / m.stressAreaMm2) ** 2 + 3 * tau ** 2),
      1,
    );
  });
});

describe('where a torque goes', () => {
  test('common practice: in a dry joint about a tenth stretches the screw, 40 % is lost in the thread, half under the head', () => {
    const m = thread('M8');
    const { shares } = preloadBand({
      thread: m,
      surface: 'dry-steel',
      torqueNm: 25,
      toolScatter: 0.03,
      propertyClass: null,
    });
    expect(shares.tension).toBeGreaterThan(0.08);
    expect(shares.tension).toBeLessThan(0.16);
    expect(shares.thread).toBeGreaterThan(0.33);
    expect(shares.thread).toBeLessThan(0.45);
    expect(shares.head).toBeGreaterThan(0.42);
    expect(shares.head).toBeLessThan(0.55);
    expect(shares.tension + shares.thread + shares.head).toBeCloseTo(1, 12);
  });
  test('a nut factor and the friction it stands for come to the same torque', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('M3', 'M8', 'M12x1.5', '10-32', '1/4-28'),
        fc.double({ min: 0.1, max: 0.3, noNaN: true }),
        (printed, k) => {
          const m = thread(printed);
          const bearing = USUAL_BEARING * m.majorMm;
          const parts = torqueParts(m, frictionOfNutFactor(k, m, bearing), bearing);
          expect(torquePerNewton(parts)).toBeCloseTo((k * m.majorMm) / 1000, 12);
        },
      ),
    );
  });
});

describe('preload is a band', () => {
  const ask = {
    thread: thread('M8'),
    surface: 'zinc',
    torqueNm: 22,
    toolScatter: 0.03,
    propertyClass: '8.8',
  } as const;
  test('the middle lies inside what the range of nut factors gives, and the band is wider than it', () => {
    const { forcesN } = preloadBand(ask);
    const [low, high] = NUT_FACTORS.zinc;
    const [most, least] = [tensionN(22, low, 8), tensionN(22, high, 8)];
    expect(most).toBeCloseTo(22 / (0.2 * 0.008), 6);
    expect(forcesN[1]).toBeGreaterThan(least);
    expect(forcesN[1]).toBeLessThan(most);
    expect(forcesN[0]).toBeLessThan(forcesN[1]);
    expect(forcesN[2]).toBeGreaterThan(forcesN[1]);
  });
  test('the same seed gives the same band; without a tool’s scatter it stays inside the range', () => {
    expect(preloadBand(ask)).toEqual(preloadBand(ask));
    const { forcesN } = preloadBand({ ...ask, toolScatter: 0 });
    expect(forcesN[0]).toBeGreaterThan(tensionN(22, NUT_FACTORS.zinc[1], 8));
    expect(forcesN[2]).toBeLessThan(tensionN(22, NUT_FACTORS.zinc[0], 8));
  });
  test('by hand: 22 N·m on a zinc-plated M8 of 8.8 is past 90 % of proof where it is slippery', () => {
    const { shareOfProof } = preloadBand({ ...ask, surface: 'oiled' });
    expect(shareOfProof?.atLowFriction).toBeGreaterThan(0.9);
    expect(preloadBand({ ...ask, torqueNm: 10 }).shareOfProof?.atLowFriction).toBeLessThan(0.9);
    expect(preloadBand({ ...ask, propertyClass: null }).shareOfProof).toBeNull();
  });
  test('less friction is always more stress, for every class and surface', () => {
    for (const propertyClass of PROPERTY_CLASSES)
      for (const surface of SURFACES) {
        const { shareOfProof } = preloadBand({ ...ask, surface, propertyClass });
        expect(shareOfProof?.atLowFriction).toBeGreaterThan(shareOfProof?.atHighFriction as number);
      }
  });
});

describe('stripping', () => {
  test('common practice: in steel of its strength a screw needs less than the 0.8 diameters of a standard nut, in cast aluminium more than its diameter', () => {
    const m = thread('M8');
    const steel = stripping(m, '8.8', 'steel-8', 8).leastEngagementMm / 8;
    const aluminium = stripping(m, '8.8', 'aluminium-cast', 8).leastEngagementMm / 8;
    expect(steel).toBeGreaterThan(0.4);
    expect(steel).toBeLessThan(0.8);
    expect(aluminium).toBeGreaterThan(1.1);
    expect(aluminium).toBeLessThan(2);
  });
  test('at the least engagement the screw and the weaker thread give way together, above it the screw', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('M3', 'M5', 'M8', 'M12', '1/4-20', '10-32'),
        fc.constantFrom(...PROPERTY_CLASSES),
        fc.constantFrom(...(Object.keys(NUT_MATERIALS) as (keyof typeof NUT_MATERIALS)[])),
        (printed, screwClass, nut) => {
          const m = thread(printed);
          const { leastEngagementMm } = stripping(m, screwClass, nut, 1);
          const at = stripping(m, screwClass, nut, leastEngagementMm);
          expect(Math.min(at.screwThreadStripsN, at.nutThreadStripsN) / at.screwBreaksN).toBeCloseTo(1, 9);
          expect(stripping(m, screwClass, nut, leastEngagementMm * 1.01).weakest).toBe('screw');
          expect(stripping(m, screwClass, nut, leastEngagementMm * 0.99).weakest).not.toBe('screw');
        },
      ),
    );
  });
  test('the nut’s thread is sheared over the larger circle', () => {
    const { screw, nut } = shearAreasPerMm(thread('M8'));
    expect(nut).toBeGreaterThan(screw);
  });
});

describe('stretch and turn', () => {
  const m = thread('M8');
  const parts = [
    { lengthMm: 20, areaMm2: Math.PI * 16 },
    { lengthMm: 14, areaMm2: m.stressAreaMm2 },
  ];
  test('by hand: a bar of 100 mm and 50 mm² of steel gives 0.0976 mm under 10 kN', () => {
    expect(stretchOfForce(10_000, [{ lengthMm: 100, areaMm2: 50 }])).toBeCloseTo(0.09756, 5);
  });
  test('a force and its stretch are one thing both ways', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 1e5, noNaN: true }), (force) => {
        expect(forceOfStretch(stretchOfForce(force, parts), parts) / force).toBeCloseTo(1, 9);
      }),
    );
  });
  test('a full turn moves the thread by its pitch', () => {
    expect(forceOfTurn(100_000, 1.25, 360)).toBe(125_000);
    expect(forceOfTurn(100_000, 1.25, 60)).toBeCloseTo(20_833.33, 2);
  });
  test('parts that give nothing leave the screw’s own stiffness', () => {
    const screw = 1 / stretchOfForce(1, parts);
    expect(jointStiffness(parts, 1e9) / screw).toBeCloseTo(1, 6);
    expect(jointStiffness(parts, 1) / screw).toBeCloseTo(0.5, 9);
  });
});

test('head marks: no line is grade 2, three are 5, six are 8, an unmarked inch socket screw is near 12.9', () => {
  const tells = (of: RegExp) => HEAD_MARKS.find(({ mark }) => of.test(mark))?.tells;
  expect([tells(/no line/), tells(/three lines/), tells(/six lines/), tells(/socket/)]).toEqual([
    'grade 2',
    'grade 5',
    'grade 8',
    '12.9',
  ]);
});
