import TriangleAlert from 'lucide-react/icons/triangle-alert';
import type { ProblemDetails } from '#wire/problems/details-shape.ts';

type Props = {
  readonly problem: ProblemDetails | null;
  /** What holds here beside it: only what is really so. */
  readonly also?: string;
};

/** A problem in words: what happened, why, what to do next. */
export const ProblemNotice = ({ problem, also }: Props) =>
  problem && (
    <div role="alert" className="flex gap-3 rounded-md border-2 border-high bg-sheet p-3 text-m">
      <TriangleAlert size={20} className="mt-0.5 shrink-0 text-high" aria-hidden="true" />
      <div>
        <strong>{problem.title}.</strong> {problem.detail}
        <div>
          {problem.fix} {also}
        </div>
      </div>
    </div>
  );
