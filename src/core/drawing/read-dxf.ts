import DxfParser, {
  type ICircleEntity,
  type IEntity,
  type IInsertEntity,
  type IPointEntity,
} from 'dxf-parser';
import { accepted, type Result, refused } from '../result.ts';
import type { DrawingRefusal } from './drawing-refusal.ts';
import { dxfFault } from './dxf-lines.ts';
import type { Mark, ReadDrawing } from './mark.ts';

/** Units of a DXF by the number that its header gives. Source: DXF reference, $INSUNITS (from memory). */
const UNITS: Readonly<Record<number, readonly [name: string, mm: number]>> = {
  1: ['inch', 25.4],
  2: ['foot', 304.8],
  4: ['mm', 1],
  5: ['cm', 10],
  6: ['m', 1000],
  8: ['microinch', 25.4e-6],
  9: ['mil', 0.0254],
  10: ['yard', 914.4],
  13: ['µm', 0.001],
  14: ['dm', 100],
};
const METRIC = 1;
const NAME_MOST = 120;

const isCircle = (entity: IEntity): entity is ICircleEntity => entity.type === 'CIRCLE';
const isPoint = (entity: IEntity): entity is IPointEntity => entity.type === 'POINT';
const isInsert = (entity: IEntity): entity is IInsertEntity => entity.type === 'INSERT';

const layerOf = ({ layer }: IEntity): string => (layer ?? '').slice(0, NAME_MOST);

/** An insert as often as it stands: in columns and rows, turned with it. */
const inserts = (entity: IInsertEntity): readonly Mark[] => {
  const { position, rotation = 0, columnCount = 1, rowCount = 1, columnSpacing = 0, rowSpacing = 0 } = entity;
  const angle = (rotation * Math.PI) / 180;
  const many = Math.max(1, columnCount) * Math.max(1, rowCount);
  return Array.from({ length: many }, (_, index) => {
    const dx = (index % Math.max(1, columnCount)) * columnSpacing;
    const dy = Math.floor(index / Math.max(1, columnCount)) * rowSpacing;
    return {
      kind: 'insert',
      layer: layerOf(entity),
      name: (entity.name ?? '').slice(0, NAME_MOST),
      x: position.x + dx * Math.cos(angle) - dy * Math.sin(angle),
      y: -(position.y + dx * Math.sin(angle) + dy * Math.cos(angle)),
      diameter: null,
    } as const;
  });
};

const marksOf = (entity: IEntity): readonly Mark[] => {
  const layer = layerOf(entity);
  if (isCircle(entity))
    return [
      {
        kind: 'circle',
        layer,
        name: '',
        x: entity.center.x,
        y: -entity.center.y,
        diameter: entity.radius * 2,
      },
    ];
  if (isPoint(entity))
    return [{ kind: 'point', layer, name: '', x: entity.position.x, y: -entity.position.y, diameter: null }];
  return isInsert(entity) ? inserts(entity) : [];
};

const isPlaced = ({ x, y, diameter }: Mark): boolean =>
  Number.isFinite(x) && Number.isFinite(y) && (diameter === null || diameter > 0);

/** The circles, points and inserts of a DXF in its model, with their layers and its units; what is inside an inserted block is the insert.
 *  Refuses: dxf-code-wrong, dxf-number-wrong, dxf-cut-short. */
export const readDxf = (text: string): Result<ReadDrawing, DrawingRefusal> => {
  const fault = dxfFault(text);
  if (fault) return refused(fault);
  const parsed = new DxfParser().parseSync(text);
  const header = parsed?.header ?? {};
  const units = UNITS[Number(header['$INSUNITS'] ?? 0)];
  const isMetric = Number(header['$MEASUREMENT'] ?? METRIC) === METRIC;
  const [unitName, unitMm] = units ?? (isMetric ? ['mm', 1] : ['inch', 25.4]);
  const entities = (parsed?.entities ?? []).filter((entity) => !entity.inPaperSpace);
  return accepted({
    marks: entities.flatMap(marksOf).filter(isPlaced),
    unitMm,
    unitName,
    isUnitAssumed: units === undefined,
  });
};
