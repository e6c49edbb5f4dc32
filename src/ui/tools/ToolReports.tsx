import { useState } from 'react';
import { call } from '#client/api.ts';
import { may } from '#core/people/may.ts';
import type { Person } from '#core/people/person.ts';
import { OPERATIONS } from '#wire/api.ts';
import type { ProblemDetails } from '#wire/problems/details-shape.ts';
import type { CribTool, ToolReport } from '#wire/tool.ts';
import { Dialog } from '../kit/Dialog.tsx';
import { ProblemNotice } from '../kit/ProblemNotice.tsx';
import { WhyDialog } from '../kit/WhyDialog.tsx';
import { LoanForm } from './LoanForm.tsx';

type Props = {
  readonly known: CribTool;
  readonly person: Person;
  readonly today: string;
  readonly onChanged: () => void;
};

const REPORTS = [
  { kind: 'dropped', name: 'Dropped', usual: ['onto concrete', 'off the bench'] },
  { kind: 'overloaded', name: 'Overloaded', usual: ['pulled past its maximum', 'used to loosen'] },
  { kind: 'repaired', name: 'Repaired', usual: ['new blade', 'new spring'] },
] as const;

/** Reports of what happened to a tool: each says what follows from it. */
export const ToolReports = ({ known, person, today, onChanged }: Props) => {
  const [asked, setAsked] = useState<(typeof REPORTS)[number] | 'lend' | 'return' | null>(null);
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const sent = async (happening: ToolReport): Promise<ProblemDetails | null> => {
    const answer = await call(OPERATIONS.reportTool, happening, { tool: known.tool.id });
    if (answer.ok) {
      setAsked(null);
      onChanged();
    }
    return answer.ok ? null : answer.problem;
  };
  const report = async (happening: ToolReport): Promise<void> => {
    setProblem(await sent(happening));
    setAsked(null);
  };
  return (
    <div className="grid gap-3">
      <div className="flex flex-wrap gap-2">
        {REPORTS.map((each) => (
          <button key={each.kind} type="button" className="act-quiet" onClick={() => setAsked(each)}>
            {each.name} …
          </button>
        ))}
        {known.facts.loan ? (
          <button type="button" className="act" onClick={() => setAsked('return')}>
            It is back …
          </button>
        ) : (
          may(person, 'lend-or-retire-tool') && (
            <button type="button" className="act-quiet" onClick={() => setAsked('lend')}>
              Lend it …
            </button>
          )
        )}
      </div>
      <ProblemNotice problem={problem} />
      {asked === 'lend' && (
        <Dialog title={`Lend ${known.tool.code}`} onClose={() => setAsked(null)}>
          <LoanForm toolId={known.tool.id} today={today} onLent={sent} />
        </Dialog>
      )}
      {asked === 'return' && (
        <WhyDialog
          title={`${known.tool.code} is back`}
          explanation="Say in what condition. It stays in quarantine until a check passes."
          action="Take it back"
          usual={['clean, nothing to see', 'case broken', 'handle scratched']}
          onClose={() => setAsked(null)}
          onDone={(condition) => void report({ kind: 'returned', condition, why: '' })}
        />
      )}
      {asked !== null && typeof asked === 'object' && (
        <WhyDialog
          title={`${known.tool.code}: ${asked.name.toLowerCase()}`}
          explanation="It goes into quarantine until a check passes. Nobody is blamed for a report; a tool that was dropped and not reported is worse."
          action="Report it"
          usual={asked.usual}
          onClose={() => setAsked(null)}
          onDone={(why) => void report({ kind: asked.kind, why })}
        />
      )}
    </div>
  );
};
