import { useState } from 'react';
import { call } from '#client/api.ts';
import type { Person } from '#core/job/event.ts';
import type { Schools } from '#core/target/schools.ts';
import { TORQUE_UNIT_CODES, type TorqueUnit, unitSymbol } from '#core/torque/unit.ts';
import { OPERATIONS } from '#wire/api.ts';
import type { ProblemDetails } from '#wire/problems/problem-details.ts';
import type { Site } from '#wire/site.ts';
import { schoolWords } from '#wire/words/derivation.ts';
import { PersonForm } from '../entry/PersonForm.tsx';
import { ProblemNotice } from '../shared/ProblemNotice.tsx';
import { ReadyForm } from '../shared/ReadyForm.tsx';
import { ThemeChoice } from './ThemeChoice.tsx';

type Choices = {
  readonly [Q in
    | 'rangeTarget'
    | 'maximumOnly'
    | 'nominalTolerance'
    | 'betweenGraduations'
    | 'decisionRule']: {
    readonly question: string;
    readonly choices: readonly Schools[Q][];
  };
};

const QUESTIONS: Choices = {
  rangeTarget: { question: 'Target inside a printed range', choices: ['middle', 'low-end', 'high-end'] },
  maximumOnly: {
    question: 'Only a maximum is printed',
    choices: ['eighty-percent', 'printed-value', 'site-share'],
  },
  nominalTolerance: {
    question: 'A single value with no tolerance',
    choices: ['site-tolerance', 'tool-class'],
  },
  betweenGraduations: {
    question: 'The setting falls between graduations',
    choices: ['nearest-inside', 'the-one-below'],
  },
  decisionRule: { question: 'When is a reading in', choices: ['simple', 'guarded'] },
};

const PERCENTS = [
  { id: 'siteTolerancePercent', name: 'Site tolerance around a single value, ± %', min: 1, max: 30 },
  { id: 'maximumSharePercent', name: 'Site’s share of a maximum, %', min: 30, max: 100 },
  { id: 'guardFactor', name: 'Guard band, times the expanded uncertainty', min: 0, max: 2 },
] as const;

const SiteForm = ({ first }: { readonly first: Site }) => {
  const [site, setSite] = useState(first);
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const [isSaved, setSaved] = useState(false);
  const change = (part: Partial<Site>): void => {
    setSite({ ...site, ...part });
    setSaved(false);
  };
  const school = (part: Partial<Schools>): void => change({ schools: { ...site.schools, ...part } });
  const save = async (): Promise<void> => {
    const answer = await call(OPERATIONS.changeSite, site);
    setProblem(answer.ok ? null : answer.problem);
    setSaved(answer.ok);
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
      {Object.entries(QUESTIONS).map(([id, { question, choices }]) => (
        <label key={id}>
          {question}
          <select
            className="field mt-1"
            value={site.schools[id as keyof Choices]}
            onChange={(event) => school({ [id]: event.target.value })}
          >
            {choices.map((choice) => (
              <option key={choice} value={choice}>
                {schoolWords({ question: id, choice } as Parameters<typeof schoolWords>[0])}
              </option>
            ))}
          </select>
        </label>
      ))}
      {PERCENTS.map(({ id, name, min, max }) => (
        <label key={id}>
          {name}
          <input
            className="field mt-1 font-mono"
            type="number"
            min={min}
            max={max}
            step="any"
            required
            value={site.schools[id]}
            onChange={(event) => school({ [id]: event.target.valueAsNumber })}
          />
        </label>
      ))}
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

type Props = {
  readonly site: Site;
  readonly people: readonly Person[];
  readonly person: Person;
  readonly theme: string;
};

/** What the site has chosen, who works here, and how this device looks. */
export const SettingsScreen = ({ site, people: first, person, theme }: Props) => {
  const [people, setPeople] = useState(first);
  const isLead = person.role === 'lead';
  return (
    <div className="mx-auto grid max-w-6xl gap-4">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h1 className="text-xl font-bold">Settings</h1>
        <a href="/sign-in" className="act-quiet">
          {person.name}: sign in as someone else
        </a>
      </div>
      <div className="grid gap-4 lg:grid-cols-2">
        <section className="panel p-4">
          <h2 className="mb-3 text-l font-bold">Site and schools</h2>
          {isLead ? (
            <SiteForm first={site} />
          ) : (
            <p>
              A lead chooses the site’s schools. This site: {site.name}, {unitSymbol(site.unit)}.
            </p>
          )}
        </section>
        <div className="grid content-start gap-4">
          <section className="panel p-4">
            <h2 className="mb-3 text-l font-bold">This device</h2>
            <ThemeChoice first={theme} />
          </section>
          <section className="panel p-4">
            <h2 className="mb-3 text-l font-bold">People</h2>
            <ul className="mb-4">
              {people.map(({ id, name, role }) => (
                <li key={id} className="flex justify-between border-b border-rule py-2">
                  <strong>{name}</strong> {role}
                </li>
              ))}
            </ul>
            {isLead ? (
              <PersonForm isFirst={false} onAdded={(added) => setPeople([...people, added])} />
            ) : (
              <p className="text-faint">A lead adds people.</p>
            )}
          </section>
        </div>
      </div>
    </div>
  );
};
