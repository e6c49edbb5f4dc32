import { useState } from 'react';
import { call } from '#client/api.ts';
import { TORQUE_UNIT_CODES, type TorqueUnit, unitSymbol } from '#core/quantity/unit.ts';
import type { Schools } from '#core/target/schools.ts';
import { OPERATIONS } from '#wire/api.ts';
import type { ProblemDetails } from '#wire/problems/problem-details.ts';
import type { Site } from '#wire/site.ts';
import { schoolWords } from '#wire/words/derivation.ts';
import { SCHOOL_QUESTIONS, type SchoolQuestion } from '#wire/words/schools.ts';
import { ProblemNotice } from '../shared/ProblemNotice.tsx';
import { ReadyForm } from '../shared/ReadyForm.tsx';
import { schoolExample } from './school-example.ts';

type QuestionProps = {
  readonly question: SchoolQuestion;
  readonly schools: Schools;
  readonly onChange: (part: Partial<Schools>) => void;
};

const Question = ({
  question: { id, question, choices, amount, effect },
  schools,
  onChange,
}: QuestionProps) => {
  const example =
    schoolExample(id, schools) ??
    (effect as Readonly<Record<string, string>> | undefined)?.[schools[id] ?? ''];
  return (
    <fieldset className="m-0 grid gap-2 border-0 border-t border-rule p-0 pt-3">
      <legend className="float-left p-0 font-bold">{question}</legend>
      <div className="clear-left flex flex-wrap gap-2">
        {choices.map((choice, index) => (
          <label
            key={choice}
            className="act-quiet cursor-pointer has-checked:border-layout has-checked:font-bold has-focus-visible:outline-3 has-focus-visible:outline-layout"
          >
            <input
              type="radio"
              className="sr-only"
              name={id}
              value={choice}
              checked={schools[id] === choice}
              onChange={() => onChange({ [id]: choice })}
            />
            {schoolWords({ question: id, choice } as Parameters<typeof schoolWords>[0])}
            {index === 0 && <span className="text-s font-normal text-faint">usual</span>}
          </label>
        ))}
        {amount && schools[id] === amount.with && (
          <label className="flex items-center gap-2">
            {amount.name}
            <input
              className="field w-24 font-mono"
              type="number"
              name={amount.id}
              min={amount.min}
              max={amount.max}
              step="any"
              required
              value={Number.isNaN(schools[amount.id] ?? Number.NaN) ? '' : schools[amount.id]}
              onChange={(event) => onChange({ [amount.id]: event.target.valueAsNumber })}
            />
          </label>
        )}
      </div>
      <p className="text-s text-faint" data-testid={`example-${id}`}>
        {example}
      </p>
    </fieldset>
  );
};

/** The site's name, its unit, and its answer to every question on which practitioners disagree, each with what it changes. */
export const SiteForm = ({ first }: { readonly first: Site }) => {
  const [kept, setKept] = useState(first);
  const [site, setSite] = useState(first);
  const [why, setWhy] = useState('');
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const [isSaved, setSaved] = useState(false);
  const change = (part: Partial<Site>): void => {
    setSite({ ...site, ...part });
    setSaved(false);
  };
  const isSchoolChanged = JSON.stringify(site.schools) !== JSON.stringify(kept.schools);
  const save = async (): Promise<void> => {
    const answer = await call(OPERATIONS.changeSite, { site, why });
    setProblem(answer.ok ? null : answer.problem);
    setSaved(answer.ok);
    if (!answer.ok) return;
    setKept(answer.value);
    setWhy('');
  };
  return (
    <ReadyForm className="grid gap-3" onSubmit={() => void save()}>
      <label>
        Name of the site, as it stands in records
        <input
          className="field mt-1"
          value={site.name}
          required
          maxLength={120}
          onChange={(event) => change({ name: event.target.value })}
        />
      </label>
      <label>
        The site’s unit, shown beside the printed one
        <select
          className="field mt-1"
          value={site.unit}
          onChange={(event) => change({ unit: event.target.value as TorqueUnit })}
        >
          {TORQUE_UNIT_CODES.map((unit) => (
            <option key={unit} value={unit}>
              {unitSymbol(unit)}
            </option>
          ))}
        </select>
      </label>
      {SCHOOL_QUESTIONS.map((question) => (
        <Question
          key={question.id}
          question={question}
          schools={site.schools}
          onChange={(part) => change({ schools: { ...site.schools, ...part } })}
        />
      ))}
      <div className="border-t border-rule pt-3">
        <strong>No torque tool at hand</strong>
        <p className="text-s text-faint">
          No choice here: it is recorded as by feel, never gets an in-specification verdict, and stays open
          until it is checked.
        </p>
      </div>
      {isSchoolChanged && (
        <label>
          Why it changes
          <input
            className="field mt-1"
            name="why"
            value={why}
            required
            maxLength={300}
            placeholder="agreed at the workshop meeting"
            onChange={(event) => setWhy(event.target.value)}
          />
        </label>
      )}
      <ProblemNotice problem={problem} />
      <button type="submit" className="act min-h-14">
        {isSaved ? 'Saved; new jobs use it' : 'Save for new jobs'}
      </button>
      <p className="text-s text-faint">
        A job keeps the schools it was planned with; every derivation and record names them.
      </p>
    </ReadyForm>
  );
};
