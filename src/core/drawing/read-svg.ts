import { SaxesParser } from 'saxes';
import {
  applyToPoint,
  compose,
  fromDefinition,
  fromTransformAttribute,
  identity,
  type Matrix,
} from 'transformation-matrix';
import { accepted, type Result, refused } from '../result.ts';
import type { DrawingRefusal } from './drawing-refusal.ts';
import type { Mark, ReadDrawing } from './mark.ts';
import { circlesOfPath, type PlainCircle } from './svg-circles.ts';
import { type SvgUnit, svgLength, svgUnit } from './svg-units.ts';

type Attributes = Readonly<Record<string, string>>;

/** An element that is open: how its inside is turned and shifted, the layer it is on, and whether it is drawn where it stands. */
type Open = { readonly matrix: Matrix; readonly layer: string; readonly isDrawn: boolean };

const OUTSIDE: Open = { matrix: identity(), layer: '', isDrawn: true };
const NOT_DRAWN: ReadonlySet<string> = new Set(['defs', 'clipPath', 'mask', 'symbol', 'pattern', 'marker']);
const NAME_MOST = 120;
const DEEPEST = 200;

const shorten = (text: string): string => text.slice(0, NAME_MOST);

/** How much a matrix enlarges: its areas' root. */
const scaleOf = ({ a, b, c, d }: Matrix): number => Math.sqrt(Math.abs(a * d - b * c));

const numberOf = (attributes: Attributes, name: string): number | null => {
  const text = attributes[name];
  if (text === undefined) return 0;
  return svgLength(text)?.value ?? null;
};

/** A circle or an even ellipse by its attributes; the name of the attribute that is no number. */
const circleOf = (name: string, attributes: Attributes): PlainCircle | string => {
  const radius = name === 'circle' ? 'r' : 'rx';
  const numbers = ['cx', 'cy', radius].map((each) => [each, numberOf(attributes, each)] as const);
  const wrong = numbers.find(([, value]) => value === null);
  if (wrong) return wrong[0];
  const [x = 0, y = 0, r = 0] = numbers.map(([, value]) => value ?? 0);
  return { x, y, diameter: 2 * r };
};

const turned = (within: Matrix, attribute: string | undefined): Matrix | null => {
  if (attribute === undefined || attribute.trim() === '') return within;
  try {
    return compose(within, ...fromDefinition(fromTransformAttribute(attribute)));
  } catch {
    return null;
  }
};

/** The circles, even ellipses, paths of arcs, and uses of an SVG, through every transform, with the group each is in as its layer. What is only
 *  defined and not drawn is left out. Refuses: svg-broken with line and column, svg-number-wrong. */
export const readSvg = (text: string): Result<ReadDrawing, DrawingRefusal> => {
  const parser = new SaxesParser();
  const open: Open[] = [OUTSIDE];
  const marks: Mark[] = [];
  let unit: SvgUnit | null = null;
  let fault: DrawingRefusal | null = null;
  const stop = (refusal: DrawingRefusal): void => {
    fault ??= refusal;
  };
  const wrongNumber = (attribute: string, attributes: Attributes): void =>
    stop({
      code: 'svg-number-wrong',
      line: parser.line,
      attribute,
      found: (attributes[attribute] ?? '').slice(0, 40),
    });
  const add = (
    kind: Mark['kind'],
    { matrix, layer }: Open,
    { x, y, diameter }: PlainCircle,
    name: string,
  ): void => {
    const at = applyToPoint(matrix, { x, y });
    const size = kind === 'circle' ? diameter * scaleOf(matrix) : null;
    if (Number.isFinite(at.x) && Number.isFinite(at.y) && (size === null || size > 0))
      marks.push({ kind, layer, name: shorten(name), x: at.x, y: at.y, diameter: size });
  };
  const draw = (name: string, attributes: Attributes, here: Open): void => {
    const id = attributes['id'] ?? '';
    if (name === 'circle' || name === 'ellipse') {
      const circle = circleOf(name, attributes);
      if (typeof circle === 'string') wrongNumber(circle, attributes);
      else add('circle', here, circle, id);
    } else if (name === 'path') {
      const circles = circlesOfPath(attributes['d'] ?? '');
      if (circles === null) wrongNumber('d', attributes);
      for (const circle of circles ?? []) add('circle', here, circle, id);
    } else if (name === 'use') {
      const [x, y] = [numberOf(attributes, 'x'), numberOf(attributes, 'y')];
      if (x === null || y === null) wrongNumber(x === null ? 'x' : 'y', attributes);
      else add('insert', here, { x, y, diameter: 0 }, attributes['href'] ?? attributes['xlink:href'] ?? id);
    }
  };
  parser.on('error', (error) =>
    stop({
      code: 'svg-broken',
      line: parser.line,
      column: parser.column,
      what: error.message.replace(/^\d+:\d+:\s*/, '').slice(0, 120),
    }),
  );
  parser.on('opentag', ({ name, attributes }) => {
    if (fault) return;
    const around = open.at(-1) as Open;
    if (open.length > DEEPEST)
      return stop({ code: 'svg-broken', line: parser.line, column: parser.column, what: 'nested too deep' });
    if (name === 'svg') unit ??= svgUnit(attributes['width'], attributes['viewBox']);
    const matrix = turned(around.matrix, attributes['transform']);
    if (!matrix) wrongNumber('transform', attributes);
    const label = attributes['id'] ?? '';
    const here: Open = {
      matrix: matrix ?? around.matrix,
      layer: name === 'g' && label !== '' ? shorten(label) : around.layer,
      isDrawn: around.isDrawn && !NOT_DRAWN.has(name) && attributes['display'] !== 'none',
    };
    open.push(here);
    if (here.isDrawn && !fault) draw(name, attributes, here);
  });
  parser.on('closetag', () => {
    open.pop();
  });
  parser.write(text).close();
  if (fault) return refused(fault);
  // Every mark is of one svg, whose unit was met before it.
  const { unitMm, unitName, isUnitAssumed } = unit ?? svgUnit(undefined, undefined);
  return accepted({ marks, unitMm, unitName, isUnitAssumed });
};
