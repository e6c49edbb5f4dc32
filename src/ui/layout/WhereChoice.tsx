import { useState } from 'react';
import type { BoardGroup } from '#client/layout/board-store.ts';
import type { BoardMode } from './BoardDrawing.tsx';
import { DrawingChoice } from './DrawingChoice.tsx';
import { PictureChoice } from './PictureChoice.tsx';
import { PlacesChoice } from './PlacesChoice.tsx';
import type { Picture } from './use-picture.ts';

const WAYS = { numbers: 'By numbers', drawing: 'Off a drawing', picture: 'On a picture' } as const;
type Way = keyof typeof WAYS;

type Props = {
  readonly group: BoardGroup;
  readonly laid: number;
  readonly picture: Picture;
  readonly onMode: (mode: BoardMode) => void;
};

/** Where they sit: by numbers, off a DXF or SVG, or tapped on a picture. */
export const WhereChoice = ({ group, laid, picture, onMode }: Props) => {
  const [way, setWay] = useState<Way>('numbers');
  return (
    <>
      <fieldset className="flex flex-wrap gap-2 border-b border-rule pb-3">
        <legend className="sr-only">Way</legend>
        {(Object.keys(WAYS) as readonly Way[]).map((each) => (
          <button
            key={each}
            type="button"
            aria-pressed={each === way}
            className="act-quiet px-3 aria-pressed:border-layout aria-pressed:font-bold"
            onClick={() => setWay(each)}
          >
            {WAYS[each]}
          </button>
        ))}
      </fieldset>
      {way === 'numbers' && <PlacesChoice group={group} laid={laid} />}
      {way === 'drawing' && <DrawingChoice laid={laid} />}
      {way === 'picture' && <PictureChoice picture={picture} onMode={onMode} />}
    </>
  );
};
