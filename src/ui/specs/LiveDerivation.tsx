import { useState } from 'react';
import { displayDigits } from '#core/quantity/display.ts';
import { significantDigits } from '#core/quantity/torque.ts';
import { fromNewtonMetres, type NewtonMetres, unitSymbol } from '#core/quantity/unit.ts';
import { NEWEST_RULES } from '#core/rules/rules-by-number.ts';
import { type Conditions, NO_CONDITIONS } from '#core/spec/requirement/conditions.ts';
import { printedTorques, printedUnit } from '#core/spec/requirement/requirement.ts';
import type { Specification } from '#core/spec/requirement/specification.ts';
import type { Schools } from '#core/target/schools.ts';
import { problemDetails } from '#wire/problems/problem-details.ts';
import type { Site } from '#wire/site.ts';
import { derivationWords, schoolWords } from '#wire/words/derivation.ts';
import { type ChoiceQuestion, SCHOOL_QUESTIONS } from '#wire/words/schools.ts';
import { ProblemNotice } from '../kit/ProblemNotice.tsx';
import { Tape } from '../shared/Tape.tsx';
import { WhichTool } from './WhichTool.tsx';

/** The questions that make a difference to a specification, by what it is. */
const questionsFor = ({
  requirement,
  otherPart,
  isForHarderMaterial,
}: Specification): readonly ChoiceQuestion[] => {
  const kinds = [requirement.kind, otherPart?.kind];
  return [
    ...(kinds.includes('range') || otherPart ? (['rangeTarget'] as const) : []),
    ...(kinds.includes('maximum') || isForHarderMaterial ? (['maximumOnly'] as const) : []),
    ...(kinds.includes('nominal') || kinds.includes('torque-then-angle')
      ? (['nominalTolerance'] as const)
      : []),
    ...(otherPart ? (['twoParts'] as const) : []),
    ...(isForHarderMaterial ? (['harderMaterial'] as const) : []),
  ];
};

/** Permissible deviation of most tools of these trades, for showing the school that takes it before a tool is chosen. */
const SAMPLE_LIMIT_PERCENT = 6;

type Props = {
  readonly specification: Specification;
  readonly site: Site;
  /** What the requirement says of the thread and of tools; nothing where it says nothing. */
  readonly conditions?: Pick<Conditions, 'thread' | 'tools'>;
};

/** A specification's target and acceptance with every step, live as the schools are switched; the site's own choice is marked. */
export const LiveDerivation = ({ specification, site, conditions = NO_CONDITIONS }: Props) => {
  const [schools, setSchools] = useState<Schools>(site.schools);
  const unit = printedUnit(specification.requirement, site.unit);
  const digits = Math.max(
    1,
    ...printedTorques(specification.requirement).map(({ text }) => significantDigits(text)),
  );
  const resolution = { sourceDigits: digits, graduation: null };
  const result = NEWEST_RULES.target(specification, schools, SAMPLE_LIMIT_PERCENT);
  const questions = SCHOOL_QUESTIONS.filter(({ id }) => questionsFor(specification).includes(id));
  const show = (torque: NewtonMetres, inUnit = unit): string =>
    displayDigits(fromNewtonMetres(torque, inUnit), resolution);
  const other = unit === site.unit ? 'lbf.in' : site.unit;
  return (
    <div className="grid gap-3" data-testid="derivation">
      {questions.map(({ id, question, choices }) => (
        <fieldset key={id} className="m-0 flex flex-wrap items-center gap-2 border-0 p-0">
          <legend className="mb-1 p-0 text-s text-faint">{question}</legend>
          {choices.map((choice) => (
            <button
              key={choice}
              type="button"
              aria-pressed={schools[id] === choice}
              className="act-quiet aria-pressed:border-layout aria-pressed:font-bold aria-pressed:text-layout"
              onClick={() => setSchools({ ...schools, [id]: choice })}
            >
              {schoolWords({ question: id, choice } as Parameters<typeof schoolWords>[0])}
              {site.schools[id] === choice && (
                <span className="text-s font-normal text-faint">this site</span>
              )}
            </button>
          ))}
        </fieldset>
      ))}
      {result.ok ? (
        <>
          <div className="max-w-md">
            <Tape
              value={fromNewtonMetres(result.value.target, unit)}
              low={fromNewtonMetres(result.value.low, unit)}
              high={fromNewtonMetres(result.value.high, unit)}
              unit={unitSymbol(unit)}
              graduation={
                Math.max(
                  fromNewtonMetres(result.value.high, unit) - fromNewtonMetres(result.value.low, unit),
                  0.01,
                ) / 50
              }
              caption={`target ${show(result.value.target)}`}
              height={46}
            />
          </div>
          <p className="text-l">
            Target{' '}
            <strong>
              {show(result.value.target)} {unitSymbol(unit)}
            </strong>
            , accepted {show(result.value.low)} to {show(result.value.high)}{' '}
            <span className="text-faint">
              = {show(result.value.target, other)} {unitSymbol(other)} ({show(result.value.low, other)} to{' '}
              {show(result.value.high, other)})
            </span>
            {result.value.thenAngleDegrees !== null && (
              <strong>, then {result.value.thenAngleDegrees}°</strong>
            )}
          </p>
          <WhichTool target={result.value} conditions={conditions} site={site} />
          <dl className="grid gap-1 text-m">
            {result.value.steps.map((step, index) => {
              const { gives, line, note } = derivationWords(step, unit, digits);
              return (
                // biome-ignore lint/suspicious/noArrayIndexKey: steps have no identity but their place
                <div key={index} className="grid grid-cols-[6rem_1fr] gap-x-2">
                  <dt className="text-faint">{gives}</dt>
                  <dd>
                    {line}
                    {note && (
                      <div className={step.assumed ? 'text-s font-semibold text-low' : 'text-s text-faint'}>
                        {note}
                      </div>
                    )}
                  </dd>
                </div>
              );
            })}
          </dl>
        </>
      ) : (
        <ProblemNotice problem={problemDetails(result.refusal)} />
      )}
      <p className="text-s text-faint">The maker’s instructions and local codes override this.</p>
    </div>
  );
};
