import Plus from 'lucide-react/icons/plus';
import Redo from 'lucide-react/icons/redo-2';
import Frame from 'lucide-react/icons/square-dashed-mouse-pointer';
import Trash from 'lucide-react/icons/trash-2';
import Undo from 'lucide-react/icons/undo-2';
import { useState } from 'react';
import { changeBoard, redo, undo } from '#client/layout/board-store.ts';
import { type Alignment, aligned, type Board, grouped, numbered, required } from '#core/layout/board.ts';
import { LoneField } from '../kit/form/LoneField.tsx';
import type { BoardMode } from './BoardDrawing.tsx';
import type { BoardChoice } from './use-choice.ts';

const ALIGNMENT_WORDS: Readonly<Record<Alignment, string>> = {
  left: 'to the leftmost',
  right: 'to the rightmost',
  top: 'to the topmost',
  bottom: 'to the lowest',
  'spread-across': 'evenly across',
  'spread-down': 'evenly down',
};

type Props = {
  readonly board: Board;
  readonly groups: readonly { readonly id: string; readonly title: string }[];
  readonly choice: BoardChoice;
  readonly mode: BoardMode;
  readonly onMode: (mode: BoardMode) => void;
  readonly canUndo: boolean;
  readonly canRedo: boolean;
};

const Chosen = ({ board, groups, choice }: Pick<Props, 'board' | 'groups' | 'choice'>) => {
  const { chosen, remove } = choice;
  const [prefix, setPrefix] = useState('');
  const [isTaken, setTaken] = useState(false);
  const first = board.find(({ id }) => chosen.has(id));
  const renumber = (): void => {
    const next = numbered(board, chosen, { prefix, first: 1, by: 'order' });
    setTaken(next === null);
    if (next) changeBoard(() => next);
  };
  return (
    <div className="flex flex-wrap items-end gap-2 border-t border-rule pt-2" data-testid="chosen">
      <span className="min-h-11 content-center font-bold">
        {chosen.size === 1 && first ? first.position : `${chosen.size} chosen`}
      </span>
      {chosen.size > 1 && (
        <label>
          Bring into line
          <select
            className="field mt-1 w-auto"
            value=""
            onChange={(event) => {
              const alignment = event.target.value as Alignment;
              changeBoard((laid) => aligned(laid, chosen, alignment));
            }}
          >
            <option value="">choose …</option>
            {Object.entries(ALIGNMENT_WORDS).map(([alignment, words]) => (
              <option key={alignment} value={alignment}>
                {words}
              </option>
            ))}
          </select>
        </label>
      )}
      {groups.length > 1 && (
        <label>
          Group
          <select
            className="field mt-1 w-auto"
            value={first?.group ?? ''}
            onChange={(event) => changeBoard((laid) => grouped(laid, chosen, event.target.value))}
          >
            {groups.map(({ id, title }) => (
              <option key={id} value={id}>
                {id} {title}
              </option>
            ))}
          </select>
        </label>
      )}
      <LoneField
        label="A value of its own"
        text={first?.requirement ?? ''}
        onText={(text) => changeBoard((laid) => required(laid, chosen, text))}
        maxLength={200}
        className="w-40"
      />
      <LoneField label="Name them" text={prefix} onText={setPrefix} maxLength={20} className="w-24" />
      <button type="button" className="act-quiet" onClick={renumber}>
        Number from 1
      </button>
      <button type="button" className="act-quiet" onClick={remove}>
        <Trash size={18} aria-hidden="true" /> Take away <span className="key max-sm:hidden">Del</span>
      </button>
      {isTaken && (
        <p role="alert" className="text-s text-high">
          Such a name stands already on another fastener: choose another beginning.
        </p>
      )}
    </div>
  );
};

/** What is done with a board and with what is chosen on it. */
export const BoardTools = ({ board, groups, choice, mode, onMode, canUndo, canRedo }: Props) => (
  <div className="grid gap-2">
    <div className="flex flex-wrap items-center gap-2">
      <button type="button" className="act-quiet" disabled={!canUndo} onClick={undo}>
        <Undo size={18} aria-hidden="true" /> Undo
      </button>
      <button type="button" className="act-quiet" disabled={!canRedo} onClick={redo}>
        <Redo size={18} aria-hidden="true" /> Redo
      </button>
      <button
        type="button"
        className="act-quiet aria-pressed:border-layout aria-pressed:font-bold"
        aria-pressed={mode === 'frame'}
        onClick={() => onMode(mode === 'frame' ? 'look' : 'frame')}
      >
        <Frame size={18} aria-hidden="true" /> Choose by a frame
      </button>
      <button
        type="button"
        className="act-quiet aria-pressed:border-layout aria-pressed:font-bold"
        aria-pressed={mode === 'add'}
        onClick={() => onMode(mode === 'add' ? 'look' : 'add')}
      >
        <Plus size={18} aria-hidden="true" /> Add by tapping
      </button>
      <span className="text-s text-faint">
        {board.length} {board.length === 1 ? 'fastener' : 'fasteners'}
      </span>
    </div>
    {choice.chosen.size > 0 && <Chosen board={board} groups={groups} choice={choice} />}
  </div>
);
