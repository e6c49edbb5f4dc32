import { useState } from 'react';
import { useWatch } from 'react-hook-form';
import type { z } from 'zod';
import { call } from '#client/api.ts';
import { may } from '#core/people/may.ts';
import type { Person } from '#core/people/person.ts';
import { unitSymbol } from '#core/quantity/unit.ts';
import type { Tool } from '#core/tool/tool.ts';
import { OPERATIONS } from '#wire/api.ts';
import { Form } from '../kit/form/Form.tsx';
import { SubmitButton } from '../kit/form/SubmitButton.tsx';
import { TickField } from '../kit/form/TickField.tsx';
import { useKitForm } from '../kit/form/use-kit-form.ts';
import {
  type Conditions,
  type ConditionsDraft,
  conditionsSchema,
  SessionConditions,
} from './SessionConditions.tsx';
import { SessionResult } from './SessionResult.tsx';
import { SessionStages } from './SessionStages.tsx';
import { Shortfalls } from './Shortfalls.tsx';
import { type SessionStage, useSession } from './use-session.ts';

type Props = {
  readonly tool: Tool;
  readonly person: Person;
  readonly today: string;
  readonly nextDue: string;
  readonly otherTools: readonly string[];
};

/** A guided calibration session: pre-loads, points, readings as the class asks; evaluated while it grows. */
export const SessionScreen = ({ tool, person, today, nextDue, otherTools }: Props) => {
  const [stage, setStage] = useState<SessionStage>('asFound');
  const [isListening, setListening] = useState(false);
  const [defaults] = useState<ConditionsDraft>(() => ({
    kind: 'in-house',
    doneOn: today,
    nextDueOn: nextDue,
    reference: '',
    referenceExpandedPercent: '0.5',
    certificate: '',
    keepNarrowed: false,
    preloadsDone: false,
  }));
  const form = useKitForm(conditionsSchema as z.ZodType<Conditions, ConditionsDraft>, {
    defaults,
    draft: `jentik-session-${tool.id}`,
  });
  const said = { ...defaults, ...useWatch({ control: form.control }) };
  const session = useSession(tool, said.referenceExpandedPercent);
  const { plan } = session;
  const unit = unitSymbol(tool.scale.unit);
  const found = session.evaluation('asFound');
  const left = session.evaluation('asLeft');
  const shortfalls = session.shortfalls(left ? 'asLeft' : 'asFound');
  const mayCalibrate = may(person, 'calibrate-tool');
  const isCheck = !mayCalibrate || said.kind === 'cross-check';
  const keep = async ({ preloadsDone: _, ...conditions }: Conditions) => {
    const answer = await call(OPERATIONS.keepSession, {
      ...conditions,
      id: session.id,
      toolId: tool.id,
      kind: mayCalibrate ? conditions.kind : 'cross-check',
      asFound: session.points('asFound'),
      asLeft: left ? session.points('asLeft') : null,
      note: '',
    });
    if (!answer.ok) return answer.problem;
    session.forget();
    window.location.assign(`/tools/${tool.id}`);
    return null;
  };
  return (
    <Form form={form} className="mx-auto grid max-w-6xl grid-cols-[minmax(0,1fr)] gap-4" onSend={keep}>
      <div>
        <p className="text-s text-faint">
          <a href={`/tools/${tool.id}`}>{tool.code}</a>
        </p>
        <h1 className="text-xl font-bold">{isCheck ? `Check ${tool.code}` : `Calibrate ${tool.code}`}</h1>
        <p>
          Class {tool.toolClass.replace('-', ' ')}: {plan.preloads}{' '}
          {plan.preloads === 1 ? 'pre-load' : 'pre-loads'} at {tool.scale.maximum} {unit}, then{' '}
          {plan.readingsEach} readings each at {plan.points.join(', ')} {unit}, from below.
        </p>
      </div>
      <SessionConditions
        mayCalibrate={mayCalibrate}
        today={today}
        otherTools={otherTools}
        preloads={`${plan.preloads} pre-loads at ${tool.scale.maximum} ${unit} are done`}
      />
      <SessionStages
        session={session}
        tool={tool}
        stage={stage}
        onStage={setStage}
        isListening={isListening}
        onListening={setListening}
      />
      <SessionResult
        tool={tool}
        found={found}
        left={left}
        isWhole={(of) => session.shortfalls(of).length === 0}
      />
      {found && !found.hasPassed && !left?.hasPassed && (left ?? found).usable && !isCheck && (
        <TickField name="keepNarrowed" label="keep it, for the part of its range where it is right" />
      )}
      <Shortfalls shortfalls={isCheck || !found ? [] : shortfalls} />
      <SubmitButton
        className="sticky bottom-16 text-l sm:bottom-2"
        isHeld={!found || said.preloadsDone !== true}
      >
        {said.preloadsDone !== true
          ? 'Pre-loads first'
          : found
            ? shortfalls.length > 0
              ? 'Keep as a cross-check'
              : 'Keep this session'
            : 'Type the first reading'}
      </SubmitButton>
    </Form>
  );
};
