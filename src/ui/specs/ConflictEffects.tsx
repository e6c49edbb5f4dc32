import { useState } from 'react';
import { call } from '#client/api.ts';
import { OPERATIONS } from '#wire/api.ts';
import type { BookConflict, ConflictEffect } from '#wire/book.ts';
import type { ProblemDetails } from '#wire/problems/details-shape.ts';
import { STATUS_WORDS } from '#wire/words/verdict.ts';
import { ProblemNotice } from '../kit/ProblemNotice.tsx';

/** What deciding a disagreement either way would change, asked of the site. */
export const ConflictEffects = ({ conflict }: { readonly conflict: BookConflict }) => {
  const [effects, setEffects] = useState<readonly ConflictEffect[] | null>(null);
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const load = async (): Promise<void> => {
    const answer = await call(OPERATIONS.conflictEffects, undefined, {
      first: conflict.first.id,
      other: conflict.other.id,
      ...(conflict.firstRow === null ? {} : { firstRow: `${conflict.firstRow}` }),
      ...(conflict.otherRow === null ? {} : { otherRow: `${conflict.otherRow}` }),
    });
    if (answer.ok) setEffects(answer.value);
    else setProblem(answer.problem);
  };
  if (problem) return <ProblemNotice problem={problem} />;
  if (!effects)
    return (
      <button type="button" className="act-quiet justify-self-start" onClick={() => void load()}>
        What would it change?
      </button>
    );
  if (effects.length === 0) return <p>No job uses either of them.</p>;
  return (
    <ul className="grid gap-1" data-testid="effects">
      {effects.map(({ job, would, pulled, changed }) => {
        const governs = would === conflict.first.id ? conflict.first : conflict.other;
        return (
          <li key={`${job.id}${would}`}>
            If {conflict.isWithinOneSource ? conflict.other.body.torque.printed : governs.code} governs:{' '}
            <a href={`/jobs/${job.id}/plan`}>
              {job.number} {job.title}
            </a>
            , {job.fasteners} {job.fasteners === 1 ? 'fastener' : 'fasteners'}, {pulled} pulled,{' '}
            {changed.length === 0 ? (
              'no verdict changes'
            ) : (
              <strong className="text-high">
                {changed.length} {changed.length === 1 ? 'verdict changes' : 'verdicts change'}:{' '}
                {changed
                  .slice(0, 8)
                  .map(
                    ({ position, was, would: then }) =>
                      `${position} ${STATUS_WORDS[was as 'in']} → ${STATUS_WORDS[then as 'in']}`,
                  )
                  .join(', ')}
              </strong>
            )}
          </li>
        );
      })}
    </ul>
  );
};
