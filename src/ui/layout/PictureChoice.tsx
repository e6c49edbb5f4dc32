import { useState } from 'react';
import { readNumber } from '#core/quantity/read-number.ts';
import { LoneField } from '../kit/form/LoneField.tsx';
import { FileButton } from '../shared/FileButton.tsx';
import type { BoardMode } from './BoardDrawing.tsx';
import type { Picture } from './use-picture.ts';

type Props = { readonly picture: Picture; readonly onMode: (mode: BoardMode) => void };

/** A photograph or a drawing laid behind, scaled by two points of a known distance, to tap the fasteners on. */
export const PictureChoice = ({ picture, onMode }: Props) => {
  const [distance, setDistance] = useState('');
  const read = readNumber(distance);
  const distanceMm = read.ok && read.value.value > 0 ? read.value.value : null;
  return (
    <div className="grid gap-3">
      <FileButton
        words={picture.url ? 'Another picture' : 'Choose a photograph or a drawing'}
        accept="image/png,image/jpeg,image/webp"
        onFile={(file) => void picture.take(file).then(() => onMode('measure'))}
      />
      {picture.wrong && <p role="alert">{picture.wrong}</p>}
      {picture.url && (
        <>
          <p>
            {picture.isScaled
              ? 'It is scaled. Tap where each fastener sits.'
              : `Press two points on it whose distance you know: ${picture.marks.length} of 2.`}
          </p>
          <LoneField
            label="Distance between them, mm"
            text={distance}
            onText={setDistance}
            inputMode="decimal"
            maxLength={10}
            className="font-mono"
          />
          <div className="flex flex-wrap gap-2">
            <button
              type="button"
              className="act"
              disabled={distanceMm === null || picture.marks.length < 2}
              onClick={() => distanceMm !== null && picture.scale(distanceMm) && onMode('add')}
            >
              Scale it
            </button>
            <button type="button" className="act-quiet" onClick={() => onMode('measure')}>
              Press the points again
            </button>
            <button
              type="button"
              className="act-quiet"
              onClick={() => {
                picture.drop();
                onMode('look');
              }}
            >
              Take the picture away
            </button>
          </div>
          <p className="text-s text-faint">
            The picture stays in this browser until the job is started or you take it away. Seen at an angle
            it is not to scale.
          </p>
        </>
      )}
    </div>
  );
};
