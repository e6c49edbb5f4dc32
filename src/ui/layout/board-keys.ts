/** What a key does on the drawing of a board. */
export type BoardKeyAct =
  | { readonly kind: 'move'; readonly xMm: number; readonly yMm: number }
  | { readonly kind: 'choose-next'; readonly by: 1 | -1 }
  | { readonly kind: 'choose-all' }
  | { readonly kind: 'choose-none' }
  | { readonly kind: 'remove' }
  | { readonly kind: 'undo' }
  | { readonly kind: 'redo' };

type Key = {
  readonly key: string;
  readonly shiftKey: boolean;
  readonly ctrlKey: boolean;
  readonly metaKey: boolean;
};

const STEP_MM = 1;
const LARGE_STEP_MM = 10;

const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

const withControl = ({ key, shiftKey }: Key): BoardKeyAct | null => {
  switch (key.toLowerCase()) {
    case 'z':
      return { kind: shiftKey ? 'redo' : 'undo' };
    case 'y':
      return { kind: 'redo' };
    case 'a':
      return { kind: 'choose-all' };
    default:
      return null;
  }
};

/** What a key does; null where it does nothing here. Arrows move by a millimetre, with Shift by ten. */
export const boardKey = (pressed: Key): BoardKeyAct | null => {
  const { key, shiftKey, ctrlKey, metaKey } = pressed;
  if (ctrlKey || metaKey) return withControl(pressed);
  const arrow = ARROWS[key];
  if (arrow) {
    const step = shiftKey ? LARGE_STEP_MM : STEP_MM;
    return { kind: 'move', xMm: arrow[0] * step, yMm: arrow[1] * step };
  }
  switch (key) {
    case 'n':
      return { kind: 'choose-next', by: 1 };
    case 'p':
      return { kind: 'choose-next', by: -1 };
    case 'Delete':
    case 'Backspace':
      return { kind: 'remove' };
    case 'Escape':
      return { kind: 'choose-none' };
    default:
      return null;
  }
};
