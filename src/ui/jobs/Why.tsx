import type { JobPlan } from '#core/job/event.ts';
import type { FastenerState } from '#core/job/state.ts';
import { derivationWords } from '#wire/words/derivation.ts';
import { requirementView } from './requirement-view.ts';

type Props = { readonly fastener: FastenerState; readonly plan: JobPlan };

/** How a fastener's target and limits came about, line by line, with the source and the schools. */
export const Why = ({ fastener, plan }: Props) => {
  const { unit, resolution } = requirementView(fastener, null, plan.siteUnit);
  const { printed, readAs } = fastener.planned.requirement;
  const { title, revision, place } = plan.source;
  return (
    <div className="grid gap-2 text-m">
      <p>
        Printed: <strong>{printed}</strong>
        {readAs && (
          <>
            , read by a person as <strong>{readAs}</strong>
          </>
        )}
        <br />
        <span className="text-faint">
          {title}
          {revision && `, revision ${revision}`}
          {place && `, ${place}`}
        </span>
      </p>
      <dl className="grid gap-1">
        {fastener.target.steps.map((step) => {
          const { gives, line, note } = derivationWords(step, unit, resolution.sourceDigits);
          return (
            <div key={`${step.gives}${step.rule}`} className="grid grid-cols-[6rem_1fr] gap-x-2">
              <dt className="text-faint">{gives}</dt>
              <dd>
                {line}
                {note && <div className={step.assumed ? 'font-semibold text-low' : 'text-faint'}>{note}</div>}
              </dd>
            </div>
          );
        })}
      </dl>
      <p className="text-s text-faint">The maker’s instructions and local codes override this.</p>
    </div>
  );
};
