import type { JobRefusal } from '#core/job/refusal.ts';
import { workWords } from '#wire/problems/en-work.ts';

/** What was refused at the bench, why, and what to do next; of a question, what is asked. Its words come behind the bench. */
export const RefusalWords = ({ refusal }: { readonly refusal: JobRefusal }) => {
  const { title, cause, fix } = workWords(refusal);
  const isQuestion = refusal.code === 'mix-up-question';
  return (
    <div>
      <strong>
        {title}
        {isQuestion ? '?' : '.'}
      </strong>{' '}
      {cause}
      {isQuestion ? ' Nothing is recorded yet.' : ` ${fix}`}
    </div>
  );
};
