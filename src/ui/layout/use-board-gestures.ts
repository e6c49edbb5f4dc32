import { useGesture } from '@use-gesture/react';
import { type RefObject, useLayoutEffect, useRef, useState } from 'react';
import {
  type BoardView,
  type Frame,
  layerShift,
  panned,
  viewOfAll,
  zoomed,
} from '#core/layout/board-view.ts';
import type { Place } from '#core/layout/generator.ts';

/** After so long without another turn of the wheel the drawing is drawn anew at its new size. */
const REST_MS = 160;
const WHEEL_PER_DOUBLING = 360;

/** What is held: the drawing itself, some fasteners, or a frame that selects. */
export type Grip = 'view' | 'fasteners' | 'frame';

type Handlers = {
  /** Whether a pull begins on something that is moved with it, and what. */
  readonly gripAt: (target: EventTarget | null) => Grip;
  /** Fasteners pulled, or a frame drawn, by so many pixels; over once it is let go. */
  readonly onPull: (
    grip: Exclude<Grip, 'view'>,
    from: readonly [number, number],
    by: readonly [number, number],
    isOver: boolean,
  ) => void;
};

/** What is to be seen when all is: the fasteners, and the corners of a picture behind them. */
type Seen = { readonly places: readonly Place[]; readonly corners: readonly Place[] };

export type BoardGestures = {
  /** What the layer was drawn for. */
  readonly view: BoardView;
  readonly bind: ReturnType<typeof useGesture>;
  readonly zoom: (factor: number) => void;
  readonly showAll: () => void;
};

const FIRST: BoardView = { xMm: 0, yMm: 0, pixelsPerMm: 2 };

/** Pan, pinch and wheel over a layer. While fingers move, the layer is only shifted, which draws nothing anew; what it shows is drawn when they
 *  rest. `fitAgain` is another value whenever all is to be seen again. */
export const useBoardGestures = (
  layer: RefObject<HTMLDivElement | null>,
  size: Frame,
  { places, corners }: Seen,
  fitAgain: string,
  { gripAt, onPull }: Handlers,
): BoardGestures => {
  const [view, setView] = useState(FIRST);
  const shown = useRef(view);
  const drawn = useRef(view);
  const rest = useRef(0);
  const shift = (next: BoardView): void => {
    shown.current = next;
    const { x, y, factor } = layerShift(drawn.current, next);
    if (layer.current) layer.current.style.transform = `translate(${x}px, ${y}px) scale(${factor})`;
  };
  const draw = (): void => setView(shown.current);
  const drawSoon = (): void => {
    window.clearTimeout(rest.current);
    rest.current = window.setTimeout(draw, REST_MS);
  };
  const showAll = (): void => {
    shown.current = viewOfAll(places, size, corners);
    draw();
  };
  const fit = useRef(showAll);
  fit.current = showAll;
  // biome-ignore lint/correctness/useExhaustiveDependencies: all is shown anew when that is asked, and not with every fastener that moves
  useLayoutEffect(() => fit.current(), [fitAgain, size.width, size.height]);
  useLayoutEffect(() => {
    drawn.current = view;
    shift(view);
  });
  const fromMiddle = ([x, y]: readonly [number, number], target: Element): readonly [number, number] => {
    const box = target.getBoundingClientRect();
    return [x - box.left - box.width / 2, y - box.top - box.height / 2];
  };
  const bind = useGesture(
    {
      onDrag: ({
        first,
        last,
        delta,
        movement,
        initial,
        event,
        memo,
        currentTarget,
        pinching,
        cancel,
        tap,
      }) => {
        if (pinching) {
          cancel();
          return memo;
        }
        const grip: Grip = first ? gripAt(event.target) : memo;
        if (tap) return grip;
        if (grip === 'view') {
          shift(panned(shown.current, delta[0], delta[1]));
          if (last) draw();
        } else if (currentTarget instanceof Element)
          onPull(grip, fromMiddle(initial, currentTarget), movement, last);
        return grip;
      },
      onPinch: ({ first, last, origin, movement: [scale], memo, currentTarget }) => {
        const begun: BoardView = first ? shown.current : memo;
        if (currentTarget instanceof Element)
          shift(zoomed(begun, scale, ...fromMiddle(origin, currentTarget)));
        if (last) draw();
        return begun;
      },
      onWheel: ({ event, delta, currentTarget, pinching }) => {
        if (pinching || !(currentTarget instanceof Element)) return;
        const at = fromMiddle([event.clientX, event.clientY], currentTarget);
        shift(zoomed(shown.current, 2 ** (-delta[1] / WHEEL_PER_DOUBLING), ...at));
        drawSoon();
      },
    },
    {
      drag: { filterTaps: true, pointer: { capture: false } },
      wheel: { eventOptions: { passive: false } },
    },
  );
  const zoom = (factor: number): void => {
    shown.current = zoomed(shown.current, factor, 0, 0);
    draw();
  };
  return { view, bind, zoom, showAll };
};
