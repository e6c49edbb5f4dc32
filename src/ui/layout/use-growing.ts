import { useEffect, useState } from 'react';

/** So many heads are drawn within a frame. */
const A_FRAME = 60;

/** How many of so many heads are drawn by now: some more in each frame, so that none of them takes long. */
export const useGrowing = (wanted: number): number => {
  const [drawn, setDrawn] = useState(A_FRAME);
  useEffect(() => {
    if (wanted <= A_FRAME) setDrawn(A_FRAME);
    if (drawn >= wanted) return;
    const asked = requestAnimationFrame(() => setDrawn(drawn + A_FRAME));
    return () => cancelAnimationFrame(asked);
  }, [wanted, drawn]);
  return Math.min(drawn, wanted);
};
