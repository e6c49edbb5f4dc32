import { useState } from 'react';
import { displayDigits } from '#core/quantity/display.ts';
import { significantDigits, type WrittenTorque, writtenInNewtonMetres } from '#core/quantity/torque.ts';
import { fromNewtonMetres, TORQUE_UNIT_CODES, unitSymbol } from '#core/quantity/unit.ts';
import { readConductorSize } from '#core/spec/conductor/conductor-size.ts';
import { readRequirement } from '#core/spec/requirement/read-requirement.ts';
import { printedTorques } from '#core/spec/requirement/requirement.ts';
import { plainSpecification } from '#core/spec/requirement/specification.ts';
import { problemDetails } from '#wire/problems/problem-details.ts';
import type { Site } from '#wire/site.ts';
import { LoneField } from '../kit/form/LoneField.tsx';
import { ProblemNotice } from '../kit/ProblemNotice.tsx';
import { tightenThis } from '../layout/tighten-this.ts';
import { PreloadPanel } from '../preload/PreloadPanel.tsx';
import { LiveDerivation } from '../specs/LiveDerivation.tsx';
import { LoadSum } from './LoadSum.tsx';

const UnitTable = ({ torques }: { readonly torques: readonly WrittenTorque[] }) => {
  const sourceDigits = Math.max(...torques.map(({ text }) => significantDigits(text)));
  return (
    <dl className="grid gap-x-4 sm:grid-cols-2">
      {TORQUE_UNIT_CODES.map((unit) => (
        <div key={unit} className="flex items-baseline justify-between gap-2 border-b border-rule py-2">
          <dt className="text-faint">{unitSymbol(unit)}</dt>
          <dd className="font-mono text-l whitespace-nowrap">
            {torques
              .map((torque) =>
                displayDigits(fromNewtonMetres(writtenInNewtonMetres(torque), unit), {
                  sourceDigits,
                  graduation: null,
                }),
              )
              .join(' to ')}
          </dd>
        </div>
      ))}
    </dl>
  );
};

const TorqueSum = ({ site }: { readonly site: Site }) => {
  const [text, setText] = useState('15-20 in-lb (1.7-2.3 Nm)');
  const read = text.trim() === '' ? null : readRequirement(text, site.unit);
  return (
    <>
      <section className="panel grid content-start gap-3 p-4">
        <h2 className="text-l font-bold">A torque in every unit</h2>
        <LoneField label="As it is written" text={text} onText={setText} maxLength={200} />
        {read?.ok && (
          <>
            <UnitTable torques={printedTorques(read.value.requirement)} />
            <p className="text-s text-faint">
              Shown to one digit more than was written; more would claim what nobody printed.
            </p>
            {read.value.alsoPrinted.length > 0 && read.value.disagreements.length === 0 && (
              <p className="text-in">Both values agree within rounding.</p>
            )}
            {read.value.disagreements[0] && (
              <p className="font-bold text-high">
                The two values disagree by more than rounding. Ask the maker which governs.
              </p>
            )}
          </>
        )}
        {read && !read.ok && <ProblemNotice problem={problemDetails(read.refusal)} />}
        {read && !read.ok && 'candidates' in read.refusal && (
          <div className="flex flex-wrap gap-2">
            {read.refusal.candidates.map((candidate) => {
              const choice = typeof candidate === 'string' ? candidate : candidate.text;
              return (
                <button key={choice} type="button" className="act-quiet" onClick={() => setText(choice)}>
                  {choice}
                </button>
              );
            })}
          </div>
        )}
      </section>
      <section className="panel grid content-start gap-3 p-4" aria-label="What it comes to">
        <h2 className="text-l font-bold">What it comes to</h2>
        {read?.ok ? (
          <>
            <LiveDerivation
              key={text}
              specification={plainSpecification(read.value.requirement)}
              site={site}
            />
            <button
              type="button"
              className="act-quiet justify-self-start"
              onClick={() => tightenThis({ printed: text.trim(), taken: null, about: '' })}
            >
              Tighten this
            </button>
          </>
        ) : (
          <p className="text-faint">Its target and limits by this site’s schools, once it can be read.</p>
        )}
      </section>
    </>
  );
};

const ConductorSum = () => {
  const [text, setText] = useState('10 AWG');
  const size = text.trim() === '' ? null : readConductorSize(text);
  const show = (value: number): string => displayDigits(value, { sourceDigits: 3, graduation: null });
  return (
    <section className="panel grid content-start gap-3 p-4">
      <h2 className="text-l font-bold">A conductor’s size</h2>
      <LoneField label="As it is printed" text={text} onText={setText} maxLength={40} />
      {size?.ok && (
        <dl className="grid gap-1">
          {(
            [
              ['Area', `${show(size.value.areaSquareMillimetres)} mm²`],
              ['Area', `${show(size.value.areaKcmil)} kcmil`],
              ['Diameter, solid round', `${show(size.value.diameterMillimetres)} mm`],
            ] as const
          ).map(([name, value]) => (
            <div key={value} className="flex justify-between border-b border-rule py-2">
              <dt className="text-faint">{name}</dt>
              <dd className="font-mono text-l whitespace-nowrap">{value}</dd>
            </div>
          ))}
        </dl>
      )}
      {size && !size.ok && <ProblemNotice problem={problemDetails(size.refusal)} />}
      <p className="text-s text-faint">AWG by ASTM B258. A bare number up to 40 is read as AWG.</p>
    </section>
  );
};

/** Sums one does at the bench: a written torque in every unit, a conductor's size on one axis. */
export const SumsScreen = ({ site }: { readonly site: Site }) => (
  <div className="mx-auto grid max-w-7xl gap-4">
    <h1 className="text-xl font-bold">Sums</h1>
    <div className="grid items-start gap-4 lg:grid-cols-2">
      <TorqueSum site={site} />
      <ConductorSum />
      <LoadSum />
      <section
        className="panel grid content-start gap-3 p-4 lg:col-span-2"
        aria-label="What it makes of a screw"
      >
        <h2 className="text-l font-bold">What a torque makes of a screw</h2>
        <PreloadPanel site={site} />
      </section>
    </div>
  </div>
);
