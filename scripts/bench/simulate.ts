import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { crosswise } from '#core/order/crosswise.ts';
import type { Spot } from '#core/order/spot.ts';
import { INVENTED, interactionMatrix } from '#core/simulate/interaction.ts';
import { type MonteCarlo, monteCarlo } from '#core/simulate/monte-carlo.ts';
import { schedule } from '#core/simulate/schedule.ts';
import { inProject } from '../site/paths.ts';
import { median, printMeasured } from './measured.ts';

const FASTENERS = 24;
const SHARES = [0.33, 0.66, 1, 1, 1];
const RUNS = 10_000;
const SCATTER = { friction: 0.12, tool: 0.03 };
const ROUNDS = 15;
const WARM_UPS = 4;

const ring: readonly Spot[] = Array.from({ length: FASTENERS }, (_, index) => {
  const angle = (index / FASTENERS) * 2 * Math.PI;
  return { position: String(index + 1), xMm: 60 * Math.sin(angle), yMm: -60 * Math.cos(angle) };
});

/** The loop in C, compiled here at -O2; null where there is no compiler, or it fails. */
const inC = (): { readonly run: () => readonly number[]; readonly forget: () => void } | null => {
  const folder = mkdtempSync(join(tmpdir(), 'jentik-bench-'));
  const program = join(folder, 'preload-runs');
  const built = spawnSync('cc', ['-O2', '-o', program, inProject('scripts/bench/preload-runs.c'), '-lm'], {
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  const forget = (): void => rmSync(folder, { recursive: true, force: true });
  if (built.status !== 0) {
    forget();
    return null;
  }
  const matrix = interactionMatrix(ring, INVENTED['rubber-lined']);
  const { fastener, share } = schedule(
    crosswise(ring).map((position) => Number(position) - 1),
    SHARES,
  );
  const input = [
    `${FASTENERS} ${fastener.length} ${RUNS} ${SHARES.length} ${SCATTER.friction} ${SCATTER.tool}`,
    matrix.join(' '),
    ...Array.from(fastener, (which, at) => `${which} ${share[at]}`),
  ].join('\n');
  const run = (): readonly number[] => {
    const ran = spawnSync(program, { input, encoding: 'utf8' });
    if (ran.status !== 0) throw new Error('the C loop failed');
    return ran.stdout.trim().split(' ').map(Number);
  };
  return { run, forget };
};

const here = (): { readonly ms: number; readonly found: MonteCarlo } => {
  const start = performance.now();
  const run = monteCarlo(
    {
      interaction: interactionMatrix(ring, INVENTED['rubber-lined']),
      schedule: schedule(
        crosswise(ring).map((position) => Number(position) - 1),
        SHARES,
      ),
      fasteners: FASTENERS,
      scatter: SCATTER,
      within: 0.3,
      runs: RUNS,
      seed: 1,
    },
    RUNS / 20,
  );
  let step = run.next();
  while (!step.done) step = run.next();
  return { ms: performance.now() - start, found: step.value };
};

/** Many runs of a plan of 24 fasteners in five passes, beside the same loop in C: turn about in one run, and both must come to the same. */
export const benchSimulate = (): void => {
  const rival = inC();
  const [own, theirs]: [number[], number[]] = [[], []];
  for (let warm = 0; warm < WARM_UPS; warm += 1) here();
  for (let round = 0; round < ROUNDS; round += 1) {
    const { ms, found } = here();
    own.push(ms);
    if (!rival) continue;
    const [cMs = 0, , inside = 0, spread = 0] = rival.run();
    theirs.push(cMs);
    const isAlike =
      Math.abs(inside / RUNS - found.shareWithin) < 0.03 &&
      Math.abs(spread - (found.spreads[0]?.[1] ?? 0)) < 0.03;
    if (!isAlike) throw new Error('the C loop and ours do not come to the same');
  }
  if (rival) printMeasured('the same runs in C at -O2', theirs);
  else console.log('no C compiler here: nothing to compare with');
  printMeasured(
    `${RUNS} runs, ${FASTENERS} fasteners, ${SHARES.length} passes (bound 1 s, 2.5 times C)`,
    own,
    ...(rival ? [median(own) / median(theirs)] : []),
  );
  rival?.forget();
};
