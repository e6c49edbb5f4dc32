import TriangleAlert from 'lucide-react/icons/triangle-alert';
import type { ProblemDetails } from '#wire/problems/problem-details.ts';

/** A problem in words: what happened, why, what to do next. */
export const ProblemNotice = ({ problem }: { readonly problem: ProblemDetails | null }) =>
  problem && (
    <div role="alert" className="flex gap-3 rounded-md border-2 border-high bg-sheet p-3 text-m">
      <TriangleAlert size={20} className="mt-0.5 shrink-0 text-high" aria-hidden="true" />
      <div>
        <strong>{problem.title}.</strong> {problem.detail}
        <div>{problem.fix}</div>
      </div>
    </div>
  );
