import { useState } from 'react';
import { layPlaces } from '#client/layout/board-store.ts';
import type { ReadDrawing } from '#core/drawing/mark.ts';
import { type MarkSet, markSets, takenPlaces } from '#core/drawing/taken-marks.ts';
import { LIST_MAX_ROWS } from '#core/spec/list/list-bounds.ts';
import type { ProblemDetails } from '#wire/problems/details-shape.ts';
import { problemDetails } from '#wire/problems/problem-details.ts';
import { readDrawingFile } from '../../workers/drawing.ts';
import { ProblemNotice } from '../kit/ProblemNotice.tsx';
import { Tick } from '../kit/Tick.tsx';
import { FileButton } from '../shared/FileButton.tsx';

type Props = { readonly laid: number };

type Opened = { readonly name: string; readonly drawing: ReadDrawing };

const KIND_WORDS: Readonly<Record<MarkSet['kind'], string>> = {
  circle: 'circle',
  point: 'point',
  insert: 'symbol',
};

const OTHER_UNITS = [
  ['mm', 1],
  ['cm', 10],
  ['inch', 25.4],
] as const;

const setWords = ({ kind, diameterMm, count, layer }: MarkSet): string =>
  `${count} ${KIND_WORDS[kind]}${count === 1 ? '' : 's'}${diameterMm === null ? '' : ` of ${Number(diameterMm.toFixed(2))} mm`}${
    layer === '' ? '' : `, layer ${layer}`
  }`;

/** Places off a DXF or SVG: what is on it by layer, kind and size, to choose from. */
export const DrawingChoice = ({ laid }: Props) => {
  const [opened, setOpened] = useState<Opened | null>(null);
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const [isReading, setReading] = useState(false);
  const [unit, setUnit] = useState<number | null>(null);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const load = async (file: File): Promise<void> => {
    setReading(true);
    setProblem(null);
    try {
      const read = await readDrawingFile(file);
      if (!read.ok) return setProblem(problemDetails(read.refusal));
      const drawing = read.value;
      setOpened({ name: file.name, drawing });
      setUnit(null);
      // What there is most of is taken for the fasteners until somebody says otherwise.
      setChosen(
        new Set(
          markSets(drawing, drawing.unitMm)
            .slice(0, 1)
            .map(({ id }) => id),
        ),
      );
    } finally {
      setReading(false);
    }
    return undefined;
  };
  const { drawing } = opened ?? {};
  const unitMm = unit ?? drawing?.unitMm ?? 1;
  const sets = drawing ? markSets(drawing, unitMm) : [];
  const places = drawing ? takenPlaces(drawing, unitMm, chosen) : [];
  const isTooMany = places.length > LIST_MAX_ROWS;
  return (
    <div className="grid gap-3">
      <FileButton
        words={opened ? 'Another drawing' : 'Choose a DXF or SVG'}
        accept=".dxf,.svg,image/svg+xml"
        onFile={(file) => void load(file)}
      />
      {isReading && <p role="status">Reading the drawing …</p>}
      {problem && (
        <ProblemNotice
          problem={problem}
          {...(opened ? { also: `What stands below is ${opened.name}.` } : {})}
        />
      )}
      {opened && drawing && (
        <>
          <label>
            One unit of {opened.name} is
            <select
              className="field mt-1"
              value={unit ?? ''}
              onChange={(event) => {
                const next = event.target.value === '' ? null : Number(event.target.value);
                setUnit(next);
                setChosen(
                  new Set(
                    markSets(drawing, next ?? drawing.unitMm)
                      .slice(0, 1)
                      .map(({ id }) => id),
                  ),
                );
              }}
            >
              <option value="">
                {drawing.unitName}
                {drawing.isUnitAssumed ? ', assumed: it does not say' : ', as it says'}
              </option>
              {OTHER_UNITS.map(([name, mm]) => (
                <option key={name} value={mm}>
                  {name}
                </option>
              ))}
            </select>
          </label>
          <fieldset>
            <legend>Fasteners are</legend>
            {sets.slice(0, 40).map((set) => (
              <Tick
                key={set.id}
                isOn={chosen.has(set.id)}
                onChange={(isOn) => {
                  const next = new Set(chosen);
                  if (isOn) next.add(set.id);
                  else next.delete(set.id);
                  setChosen(next);
                }}
              >
                {setWords(set)}
              </Tick>
            ))}
            {sets.length > 40 && (
              <p className="text-s text-faint">and {sets.length - 40} more kinds of mark.</p>
            )}
          </fieldset>
          {isTooMany && (
            <p role="alert" className="text-s text-high">
              That is {places.length} fasteners; one job holds {LIST_MAX_ROWS}.
            </p>
          )}
          <button
            type="button"
            className="act"
            disabled={places.length === 0 || isTooMany}
            onClick={() => layPlaces(places)}
          >
            {laid > 0 ? `Take these ${places.length} in place of ${laid}` : `Take these ${places.length}`}
          </button>
        </>
      )}
    </div>
  );
};
