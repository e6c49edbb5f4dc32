import type { Schools } from '#core/target/schools.ts';
import { type Adapter, adapterFactor, adapterSensitivity, type MountedAdapter } from '#core/tool/adapter.ts';
import type { Tool } from '#core/tool/tool.ts';
import { problemDetails } from '#wire/problems/problem-details.ts';
import { ProblemNotice } from '../../kit/ProblemNotice.tsx';
import { AdapterPicture } from '../../shared/AdapterPicture.tsx';
import { AdapterPlace } from './AdapterPlace.tsx';

type Props = {
  readonly adapters: readonly Adapter[];
  /** The tool they would go on: its lever length makes the difference. */
  readonly tool: Tool | null;
  readonly school: Schools['offsetAdapter'];
  readonly chain: readonly MountedAdapter[];
  readonly onChain: (chain: readonly MountedAdapter[]) => void;
  /** The adapter that was chosen last and whose angle is not said yet; nothing is taken meanwhile. */
  readonly pending: Adapter | null;
  readonly onPending: (adapter: Adapter | null) => void;
};

/** Longest chain that anyone would put on a torque tool. */
const CHAIN_MAX = 4;

/** What stands between the tool and the fastener, one on the other, and what the whole chain makes of a setting. */
export const AdapterChoice = ({ adapters, tool, school, chain, onChain, pending, onPending }: Props) => {
  const factor = adapterFactor(tool?.leverMillimetres ?? null, chain);
  const sensitivity = adapterSensitivity(tool?.leverMillimetres ?? null, chain);
  const isHeld = chain.every(({ adapter, isAngleHeld }) => adapter.offsetMillimetres === 0 || isAngleHeld);
  const hasOffset = chain.some(({ adapter }) => adapter.offsetMillimetres > 0);
  /** What goes on the tool, or on the adapter at an index; each adapter is there once. */
  const fitting = (index: number): readonly Adapter[] => {
    const before = chain[index - 1];
    const used = new Set(chain.slice(0, index).map(({ adapter }) => adapter.id));
    return adapters.filter(
      ({ id, driveIn }) => !used.has(id) && (!before || driveIn === before.adapter.driveOut),
    );
  };
  const mayGoOn = chain.length < CHAIN_MAX && fitting(chain.length).length > 0;
  const places = mayGoOn ? [...chain, null] : chain;
  return (
    <div className="grid gap-2">
      {places.map((mounted, index) => {
        const before = chain[index - 1];
        return (
          <AdapterPlace
            key={before?.adapter.id ?? 'tool'}
            label={before ? `On ${before.adapter.code}` : 'Adapter'}
            none={before ? 'nothing more' : 'none, straight on the fastener'}
            adapters={fitting(index)}
            school={school}
            mounted={mounted}
            pending={index === places.length - 1 ? pending : null}
            onPending={onPending}
            onMount={(next) => {
              const isTurned = next?.adapter.id === mounted?.adapter.id;
              onChain([
                ...chain.slice(0, index),
                ...(next ? [next] : []),
                ...(isTurned ? chain.slice(index + 1) : []),
              ]);
            }}
          />
        );
      })}
      {hasOffset && (
        <>
          {tool?.leverMillimetres && (
            <div className="max-w-md">
              <AdapterPicture leverMillimetres={tool.leverMillimetres} chain={chain} />
            </div>
          )}
          {factor.ok ? (
            <p>
              The fastener gets <strong>{factor.value.toFixed(3)}</strong> of what {tool?.code ?? 'the tool'}{' '}
              says
              {factor.value === 1 && ', the same'}.
              {sensitivity.ok && (
                <span className="text-s text-faint">
                  {' '}
                  {isHeld
                    ? 'A stop holds the angle; '
                    : `10° off costs up to ${sensitivity.value.tenDegreesPercent.toFixed(1)} %, `}
                  the hand 10 mm off {isHeld && 'costs '}
                  {sensitivity.value.tenMillimetresPercent.toFixed(1)} %.
                </span>
              )}
            </p>
          ) : (
            tool && <ProblemNotice problem={problemDetails(factor.refusal)} />
          )}
        </>
      )}
      {chain.some(({ adapter }) => adapter.kind === 'extension') && (
        <p className="text-s text-faint">
          In line it changes nothing at rest, but it winds up: pull slowly, and never use it for an angle.
        </p>
      )}
    </div>
  );
};
