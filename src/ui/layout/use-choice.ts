import { type KeyboardEvent, useMemo, useState } from 'react';
import { changeBoard, redo, undo } from '#client/layout/board-store.ts';
import { type Board, moved, without } from '#core/layout/board.ts';
import { boardKey } from './board-keys.ts';

export type BoardChoice = {
  readonly chosen: ReadonlySet<string>;
  /** Chooses these, or with those that are chosen already. */
  readonly choose: (ids: ReadonlySet<string>, isAdded?: boolean) => void;
  readonly remove: () => void;
  readonly onKey: (event: KeyboardEvent) => void;
};

/** Which fasteners of a board are chosen, and what keys do with them. One that is chosen again, with others, is let go. */
export const useChoice = (board: Board, current: string): BoardChoice => {
  const [ids, setIds] = useState<ReadonlySet<string>>(new Set());
  // One that was undone is chosen no more.
  const chosen = useMemo(() => new Set(board.flatMap(({ id }) => (ids.has(id) ? id : []))), [board, ids]);
  const choose = (next: ReadonlySet<string>, isAdded = false): void => {
    const together = new Set(isAdded ? chosen : []);
    for (const id of next) if (!together.delete(id)) together.add(id);
    setIds(together);
  };
  const remove = (): void => {
    if (chosen.size > 0) changeBoard((laid) => without(laid, chosen));
  };
  const chooseNext = (by: 1 | -1): void => {
    const own = board.filter(({ group }) => group === current);
    const at = own.findIndex(({ id }) => chosen.has(id));
    const next = own.at(at < 0 ? 0 : (at + by) % own.length);
    if (next) setIds(new Set([next.id]));
  };
  const onKey = (event: KeyboardEvent): void => {
    const act = boardKey(event);
    if (!act) return;
    event.preventDefault();
    switch (act.kind) {
      case 'move':
        if (chosen.size > 0) changeBoard((laid) => moved(laid, chosen, act.xMm, act.yMm));
        break;
      case 'choose-next':
        chooseNext(act.by);
        break;
      case 'choose-all':
        setIds(new Set(board.map(({ id }) => id)));
        break;
      case 'choose-none':
        setIds(new Set());
        break;
      case 'remove':
        remove();
        break;
      case 'undo':
        undo();
        break;
      case 'redo':
        redo();
        break;
    }
  };
  return { chosen, choose, remove, onKey };
};
