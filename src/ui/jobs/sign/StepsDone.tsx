import { stepTitle } from '#core/job/plan.ts';
import type { JobView } from '#core/view/job-view.ts';
import { ASSUMPTION_TITLES } from '#wire/words/assumption.ts';
import { limitsWords, stepResultWords } from '#wire/words/joint.ts';
import { timeHere } from '../../kit/time/here.ts';
import { ClaimsMade } from './ClaimsMade.tsx';
import { KeptPicture, NotesMade } from './NotesMade.tsx';

const titleOfConfirmed = (titles: ReadonlyMap<string, string>, id: string): string =>
  (ASSUMPTION_TITLES as Readonly<Record<string, string>>)[id] ?? (titles.get(id) ?? id).toLowerCase();

/** The cautions confirmed and every step done beside the pulls, with who and when. */
export const StepsDone = ({ view }: { readonly view: JobView }) => {
  const { cautions, steps, plan } = view;
  const titles = new Map(
    plan.groups.flatMap(({ kind }) => kind.steps.map(({ id, title }) => [id, title] as const)),
  );
  return (
    <>
      <h2 className="mb-2 text-l font-bold">Cautions</h2>
      {cautions ? (
        <p>
          Confirmed by {cautions.person.name}, {timeHere(cautions.deviceTime)}:{' '}
          {cautions.confirmed.map((id) => titleOfConfirmed(titles, id)).join(', ')}.
        </p>
      ) : (
        <p>Not confirmed yet; they come before the first pull.</p>
      )}
      {steps.length > 0 && (
        <>
          <h2 className="mt-5 mb-2 text-l font-bold">Steps</h2>
          <ul className="grid gap-1" data-testid="steps-done">
            {steps.map((done) => (
              <li key={done.eventId} className="border-b border-rule py-1">
                <strong>{stepTitle(plan, done)}</strong>
                {done.of !== null && ` ${done.of}`}
                {done.afterPass !== null && ` after pass ${done.afterPass}`}:{' '}
                <span className={done.isGood || done.result.kind === 'left' ? '' : 'font-semibold text-high'}>
                  {stepResultWords(done.result, done.waitedMinutes)}
                </span>{' '}
                {done.result.kind === 'photographed' && (
                  <KeptPicture attachmentId={done.result.attachmentId} />
                )}
                {done.limits && <span className="text-faint"> ({limitsWords(done.limits)} wanted)</span>}
                <div className="text-s text-faint">
                  {done.person.name}, {timeHere(done.at)}
                </div>
              </li>
            ))}
          </ul>
        </>
      )}
      <NotesMade view={view} />
      <ClaimsMade view={view} />
    </>
  );
};
