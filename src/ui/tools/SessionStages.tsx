import { toNewtonMetres } from '#core/quantity/unit.ts';
import type { Tool } from '#core/tool/tool.ts';
import { SessionReadings } from './SessionReadings.tsx';
import { peakText, pullOnTester, type Session, type SessionStage, useTester } from './use-session.ts';

/** How far off the simulated tester lets a demo pull be, as shares of the setting. */
const DEMO_SPREAD = [0.004, -0.006, 0.011, -0.002, 0.007];

type Props = {
  readonly session: Session;
  readonly tool: Tool;
  readonly stage: SessionStage;
  readonly onStage: (stage: SessionStage) => void;
  readonly isListening: boolean;
  readonly onListening: (isListening: boolean) => void;
};

/** The readings as found and as left, typed, pasted or from the bench tester. */
export const SessionStages = ({ session, tool, stage, onStage, isListening, onListening }: Props) => {
  const next = session.next(stage);
  const isConnected = useTester(isListening, (peak) => session.fill(stage, peakText(peak, tool)));
  return (
    <section className="panel grid gap-3 p-4">
      <div className="flex flex-wrap items-center gap-2">
        {(['asFound', 'asLeft'] as const).map((each) => (
          <button
            key={each}
            type="button"
            aria-pressed={stage === each}
            className="act-quiet aria-pressed:border-layout aria-pressed:font-bold"
            onClick={() => onStage(each)}
          >
            {each === 'asFound' ? 'As found' : 'As left, after adjusting'}
          </button>
        ))}
        <span className="flex-1" />
        <button
          type="button"
          className="act-quiet"
          aria-pressed={isListening}
          onClick={() => onListening(!isListening)}
        >
          {isListening
            ? isConnected
              ? 'Listening to the tester'
              : 'Connecting …'
            : 'Read from the bench tester'}
        </button>
        {isConnected && next && (
          <button
            type="button"
            className="act-quiet"
            onClick={() =>
              void pullOnTester(
                toNewtonMetres(session.plan.points[next.point] ?? 1, tool.scale.unit) *
                  (1 + (DEMO_SPREAD[next.index % DEMO_SPREAD.length] ?? 0)),
              )
            }
          >
            Simulated pull
          </button>
        )}
      </div>
      <SessionReadings session={session} stage={stage} tool={tool} />
    </section>
  );
};
