import { DxfWriter, point3d, Units } from '@tarikjabiri/dxf';
import fc from 'fast-check';
import makerjs from 'makerjs';
import { describe, expect, test } from 'vitest';
import { dxfFault } from '#core/drawing/dxf-lines.ts';
import type { Mark } from '#core/drawing/mark.ts';
import { readDrawing } from '#core/drawing/read-drawing.ts';
import { svgUnit } from '#core/drawing/svg-units.ts';
import { valueOrThrow } from '#core/fault.ts';

const read = (text: string) => valueOrThrow(readDrawing(text));
const refusal = (text: string) => {
  const result = readDrawing(text);
  return result.ok ? null : result.refusal;
};
const places = (marks: readonly Mark[], unitMm: number) =>
  marks
    .map(({ x, y }) => [Number((x * unitMm).toFixed(3)), Number((y * unitMm).toFixed(3))])
    .sort((a, b) => (a[0] as number) - (b[0] as number) || (a[1] as number) - (b[1] as number));

const spots = fc.uniqueArray(
  fc.tuple(fc.integer({ min: -200, max: 200 }), fc.integer({ min: -200, max: 200 })),
  {
    minLength: 1,
    maxLength: 30,
    selector: ([x, y]) => `${x} ${y}`,
  },
);

/** A drawing as a library for parametric drawings makes it: circles of 3 mm radius. */
const modelOf = (at: readonly (readonly [number, number])[]) => ({
  paths: Object.fromEntries(at.map(([x, y], index) => [`hole${index}`, new makerjs.paths.Circle([x, y], 3)])),
  units: makerjs.unitType.Millimeter,
});

describe('DXF', () => {
  test('circles that a drawing library writes are found where it put them, y turned downwards', () => {
    fc.assert(
      fc.property(spots, (at) => {
        const { marks, unitMm, isUnitAssumed } = read(makerjs.exporter.toDXF(modelOf(at)));
        expect([unitMm, isUnitAssumed]).toEqual([1, false]);
        expect(places(marks, 1)).toEqual(
          places(
            at.map(([x, y]) => ({ x, y: -y || 0 }) as Mark),
            1,
          ),
        );
        for (const mark of marks) expect(mark.diameter).toBeCloseTo(6, 9);
      }),
      { numRuns: 30 },
    );
  });

  test('circles, points and inserts of another library, in inches, with their layers', () => {
    const writer = new DxfWriter();
    writer.setUnits(Units.Inches);
    writer.addLayer('HOLES', 1, 'CONTINUOUS');
    writer.addLayer('TERMINALS', 2, 'CONTINUOUS');
    writer.setCurrentLayerName('HOLES');
    writer.addCircle(point3d(1, 2), 0.25);
    writer.addPoint(3, 4, 0);
    writer.setCurrentLayerName('TERMINALS');
    writer.addBlock('SCREW').addCircle(point3d(0, 0), 0.1);
    writer.addInsert('SCREW', point3d(5, 6));
    const { marks, unitMm, unitName } = read(writer.stringify());
    expect([unitMm, unitName]).toEqual([25.4, 'inch']);
    expect(marks).toEqual([
      { kind: 'circle', layer: 'HOLES', name: '', x: 1, y: -2, diameter: 0.5 },
      { kind: 'point', layer: 'HOLES', name: '', x: 3, y: -4, diameter: null },
      { kind: 'insert', layer: 'TERMINALS', name: 'SCREW', x: 5, y: -6, diameter: null },
    ]);
  });

  test('circles round one middle are one hole, the largest of them', () => {
    const text = makerjs.exporter.toDXF({ models: { a: new makerjs.models.Ring(10, 3) } });
    expect(read(text).marks.map(({ diameter }) => diameter)).toEqual([20]);
  });

  test('a drawing that says no unit is taken for millimetres, and it is said', () => {
    const { unitName, isUnitAssumed } = read(
      '0\nSECTION\n2\nENTITIES\n0\nCIRCLE\n8\n0\n10\n1\n20\n2\n40\n3\n0\nENDSEC\n0\nEOF\n',
    );
    expect([unitName, isUnitAssumed]).toEqual(['mm', true]);
  });

  test('what is broken is said with its line', () => {
    const good = makerjs.exporter.toDXF(modelOf([[10, 20]]));
    const lines = good.split(/\r?\n/);
    const at = lines.findIndex((line, index) => line === '40' && lines[index + 1] === '3');
    const spoilt = lines.with(at + 1, 'three').join('\n');
    expect(refusal(spoilt)).toEqual({ code: 'dxf-number-wrong', line: at + 2, group: 40, found: 'three' });
    expect(refusal(lines.with(at, 'forty').join('\n'))).toEqual({
      code: 'dxf-code-wrong',
      line: at + 1,
      found: 'forty',
    });
    expect(refusal(lines.slice(0, at).join('\n'))).toMatchObject({ code: 'dxf-cut-short' });
    expect(dxfFault(good)).toBeNull();
  });

  test('cut off anywhere, it is read whole or refused, and never throws', () => {
    const good = makerjs.exporter.toDXF(
      modelOf([
        [10, 20],
        [30, 40],
      ]),
    );
    for (let end = 0; end < good.length; end += 3) {
      const result = readDrawing(good.slice(0, end));
      if (result.ok) expect(result.value.marks).toHaveLength(2);
    }
  });
});

describe('SVG', () => {
  test('circles that a drawing library writes are found where it put them, to each other', () => {
    fc.assert(
      fc.property(spots, (at) => {
        const { marks, unitMm, isUnitAssumed } = read(
          makerjs.exporter.toSVG(modelOf(at), { accuracy: 0.0001 }),
        );
        expect(isUnitAssumed).toBe(false);
        expect(unitMm).toBeCloseTo(1, 6);
        // It moves its drawing to the corner of the sheet.
        const left = Math.min(...at.map(([x]) => x));
        const top = Math.max(...at.map(([, y]) => y));
        expect(places(marks, 1)).toEqual(
          places(
            at.map(([x, y]) => ({ x: x - left + 3, y: top - y + 3 }) as Mark),
            1,
          ),
        );
      }),
      { numRuns: 30 },
    );
  });

  test('transforms of every kind are followed, worked by hand', () => {
    const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="100mm" viewBox="0 0 200 100">
      <defs><circle id="unused" cx="1" cy="1" r="1"/></defs>
      <g id="screws" transform="translate(10 20) rotate(90) scale(2)">
        <circle cx="5" cy="0" r="1.5" transform="translate(0,1)"/>
      </g>
      <ellipse id="e" cx="50" cy="60" rx="4" ry="4"/><use href="#unused" x="7" y="8"/>
    </svg>`;
    const { marks, unitMm } = read(svg);
    // 200 units over 100 mm.
    expect(unitMm).toBe(0.5);
    // (5, 1) doubled is (10, 2), turned a quarter (−2, 10), shifted (8, 30).
    const [first] = marks;
    expect(first?.x).toBeCloseTo(8, 9);
    expect(first?.y).toBeCloseTo(30, 9);
    expect(first).toMatchObject({ kind: 'circle', layer: 'screws' });
    expect(first?.diameter).toBeCloseTo(6, 9);
    expect(marks.slice(1).map(({ kind, x, y, name }) => [kind, x, y, name])).toEqual([
      ['circle', 50, 60, 'e'],
      ['insert', 7, 8, '#unused'],
    ]);
  });

  test('lengths in inches, points and pixels; without a unit it is said to be assumed', () => {
    expect(svgUnit('2in', '0 0 2 1')).toMatchObject({ unitMm: 25.4, isUnitAssumed: false });
    expect(svgUnit('72pt', '0 0 25.4 1').unitMm).toBeCloseTo(1, 12);
    expect(svgUnit('100', '0 0 100 1')).toMatchObject({ unitName: 'px', isUnitAssumed: true });
    expect(svgUnit(undefined, undefined).isUnitAssumed).toBe(true);
    expect(svgUnit('50%', '0 0 1 1').isUnitAssumed).toBe(true);
  });

  test('what is broken is said with its line', () => {
    expect(refusal('<svg xmlns="http://www.w3.org/2000/svg">\n<g>\n<circle r="2"/>\n</svg>')).toMatchObject({
      code: 'svg-broken',
      line: 4,
    });
    expect(refusal('<svg>\n<circle cx="left" cy="1" r="2"/></svg>')).toEqual({
      code: 'svg-number-wrong',
      line: 2,
      attribute: 'cx',
      found: 'left',
    });
    expect(refusal('<svg><g transform="spin(3)"><circle r="1"/></g></svg>')).toMatchObject({
      code: 'svg-number-wrong',
      attribute: 'transform',
    });
  });

  test('cut off anywhere it is refused, and never throws', () => {
    const good = makerjs.exporter.toSVG(modelOf([[10, 20]]));
    for (let end = 1; end < good.length; end += 1) expect(readDrawing(good.slice(0, end)).ok).toBe(false);
  });
});

test('what is no drawing, empty, binary, or without a mark', () => {
  expect(refusal('')).toEqual({ code: 'drawing-empty' });
  expect(refusal('position,label\n1,a')).toMatchObject({ code: 'drawing-unknown' });
  expect(refusal('0\u0000\u0001')).toEqual({ code: 'dxf-binary' });
  expect(refusal('<svg><rect width="1"/></svg>')).toEqual({ code: 'drawing-without-marks' });
});

test('whatever is in a file, it is read or refused', () => {
  fc.assert(
    fc.property(
      fc.oneof(
        fc.string(),
        fc.string().map((text) => `<svg>${text}`),
        fc.string().map((text) => `0\n${text}`),
      ),
      (text) => {
        expect(typeof readDrawing(text).ok).toBe('boolean');
      },
    ),
    { numRuns: 500 },
  );
});
