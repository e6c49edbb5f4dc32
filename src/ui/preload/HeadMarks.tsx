import { HEAD_MARKS } from '#core/preload/head-marks.ts';

/** How the class of a screw is told by its head. */
export const HeadMarks = () => (
  <details>
    <summary className="flex min-h-11 cursor-pointer items-center text-layout underline underline-offset-3">
      Which class is it? By the head
    </summary>
    <ul className="grid gap-1 text-s">
      {HEAD_MARKS.map(({ mark, tells, note }) => (
        <li key={mark}>
          <strong>{mark}</strong>
          {tells && `: ${tells}`}. {note}
        </li>
      ))}
      <li className="text-faint">ISO 898-1, ISO 3506-1, SAE J429, from memory.</li>
    </ul>
  </details>
);
