import { call } from '#client/api.ts';
import { may } from '#core/people/may.ts';
import type { Person } from '#core/people/person.ts';
import { OPERATIONS } from '#wire/api.ts';
import type { ToolAtLength } from '#wire/api-tools.ts';
import { scaleRangeWords } from '#wire/words/setting.ts';
import { TOOL_DRIVE_WORDS, TOOL_EVENT_WORDS, TOOL_KIND_WORDS } from '#wire/words/tool.ts';
import { useAnswer } from '../kit/answer/use-answer.ts';
import { ProblemNotice } from '../kit/ProblemNotice.tsx';
import { dayHere } from '../kit/time/here.ts';
import { Attachments } from '../shared/Attachments.tsx';
import { ScalePanel } from './ScalePanel.tsx';
import { SessionsPanel } from './SessionsPanel.tsx';
import { ToolReports } from './ToolReports.tsx';
import { standingWords } from './tool-words.ts';

type Props = { readonly first: ToolAtLength; readonly person: Person; readonly today: string };

/** A tool: its scale at any setting, how it stands, what its sessions found, and what happened to it. */
export const ToolScreen = ({ first, person, today }: Props) => {
  const { id } = first.known.tool;
  const live = useAnswer<ToolAtLength>(
    ['tool', id],
    () => call(OPERATIONS.tool, undefined, { tool: id }),
    first,
  );
  const { known, sessions, events, attachments, undecided } = live.value;
  const { tool, facts, blocks } = known;
  const isFoundOut = sessions.some(({ hasPassedAsFound }) => !hasPassedAsFound);
  return (
    <div className="mx-auto grid max-w-6xl grid-cols-[minmax(0,1fr)] gap-4">
      <div className="flex flex-wrap items-start justify-between gap-3">
        <div>
          <p className="text-s text-faint">
            <a href="/tools">Tools</a>
          </p>
          <h1 className="text-xl font-bold">{tool.code}</h1>
          <p>
            {TOOL_KIND_WORDS[tool.kind]}, {scaleRangeWords(tool.scale)} · serial {tool.serial} ·{' '}
            {TOOL_DRIVE_WORDS[tool.drive]}
            {tool.leverMillimetres && ` · lever ${tool.leverMillimetres} mm`}
          </p>
          <p>
            <strong className={blocks.length > 0 ? 'text-high' : 'text-in'}>{standingWords(known)}</strong>
            {undecided > 0 && (
              <a
                href={`/tools/${tool.id}/recall`}
                className="block font-bold text-high"
                data-testid="undecided"
              >
                Found outside its limits:{' '}
                {undecided === 1
                  ? 'one job that it touched awaits'
                  : `${undecided} jobs that it touched await`}{' '}
                a decision
              </a>
            )}
            {facts.quarantine && (
              <span>
                {' '}
                · {facts.quarantine.why} ({facts.quarantine.by}, {dayHere(facts.quarantine.at)})
              </span>
            )}
          </p>
        </div>
        <div className="flex flex-wrap gap-2">
          <a
            className="act-quiet"
            href={`/api/v1/tools/${tool.id}/label.svg`}
            target="_blank"
            rel="noreferrer"
          >
            Label
          </a>
          {isFoundOut && (
            <a className="act-quiet" href={`/tools/${tool.id}/recall`}>
              What did it touch?
            </a>
          )}
          <a className="act" href={`/tools/${tool.id}/calibrate`}>
            {!may(person, 'calibrate-tool') ? 'Check it' : 'Calibrate'}
          </a>
        </div>
      </div>
      <ProblemNotice problem={live.problem} />
      <div className="grid items-start gap-4 lg:grid-cols-2">
        <ScalePanel known={known} />
        <SessionsPanel tool={tool} sessions={sessions} />
        <section className="panel grid gap-3 p-4">
          <h2 className="text-l font-bold">Something happened to it</h2>
          <ToolReports known={known} person={person} today={today} onChanged={() => void live.again()} />
          <ul className="text-s" data-testid="tool-events">
            {events.slice(0, 12).map(({ at, by, kind, body }) => (
              <li key={at + kind}>
                {dayHere(at)} {by}: {TOOL_EVENT_WORDS[kind] ?? kind}
                {typeof body['why'] === 'string' && body['why'] !== '' && `, ${body['why']}`}
                {typeof body['condition'] === 'string' && `, ${body['condition']}`}
              </li>
            ))}
          </ul>
        </section>
        <section className="panel grid gap-3 p-4">
          <h2 className="text-l font-bold">Photographs and certificates</h2>
          <Attachments kind="tool" owner={tool.id} first={attachments} />
        </section>
      </div>
    </div>
  );
};
