import { useState } from 'react';
import { type BoardGroup, layOut } from '#client/layout/board-store.ts';
import { siteKindOf } from '#client/site-kinds.ts';
import { generatedCount } from '#core/layout/generator.ts';
import { LoneField } from '../kit/form/LoneField.tsx';
import { SHAPE_FIELDS, SHAPE_WORDS, type Shape, typedGenerator } from './generator-fields.ts';

type Props = { readonly group: BoardGroup; readonly laid: number };

const usualShape = (jointKind: string): Shape => {
  const outline = siteKindOf(jointKind)?.outline;
  if (outline === 'ring') return 'bolt-circle';
  return outline === 'rails' ? 'terminal-block' : 'row';
};

/** Where they sit: a regular layout by its numbers. */
export const PlacesChoice = ({ group, laid }: Props) => {
  const [chosen, setChosen] = useState<Shape | null>(null);
  const [texts, setTexts] = useState<Readonly<Record<string, Readonly<Record<string, string>>>>>({});
  const shape = chosen ?? usualShape(group.jointKind);
  const own = texts[shape] ?? {};
  const typed = typedGenerator(shape, own);
  const count = 'generator' in typed ? generatedCount(typed.generator) : 0;
  return (
    <div className="grid gap-3">
      <fieldset className="flex flex-wrap gap-2">
        <legend className="sr-only">Shape</legend>
        {(Object.keys(SHAPE_WORDS) as readonly Shape[]).map((each) => (
          <button
            key={each}
            type="button"
            aria-pressed={each === shape}
            className="act-quiet px-3 aria-pressed:border-layout aria-pressed:font-bold"
            onClick={() => setChosen(each)}
          >
            {SHAPE_WORDS[each]}
          </button>
        ))}
      </fieldset>
      <div className="grid grid-cols-2 gap-2">
        {SHAPE_FIELDS[shape].map(({ name, label, first }) => (
          <LoneField
            key={`${shape}-${name}`}
            label={label}
            text={own[name] ?? first}
            onText={(text) => setTexts({ ...texts, [shape]: { ...own, [name]: text } })}
            inputMode="decimal"
            maxLength={10}
            className="font-mono"
          />
        ))}
      </div>
      {'wrong' in typed && (
        <p role="alert" className="text-s text-high">
          {typed.wrong}
        </p>
      )}
      <button
        type="button"
        className="act"
        disabled={!('generator' in typed)}
        onClick={() => 'generator' in typed && layOut(typed.generator)}
      >
        {laid > 0 ? `Lay out ${count} in place of these ${laid}` : `Lay out ${count}`}
      </button>
    </div>
  );
};
