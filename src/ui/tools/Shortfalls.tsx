import type { SessionShortfall } from '#core/calibration/session-standing.ts';
import { SHORTFALL_WORDS } from '#wire/words/calibration.ts';

/** Why a session will be kept as a cross-check only. */
export const Shortfalls = ({ shortfalls }: { readonly shortfalls: readonly SessionShortfall[] }) =>
  shortfalls.length === 0 ? null : (
    <p className="border-l-4 border-unsure pl-2" data-testid="shortfalls">
      As it stands this is kept as a cross-check: {shortfalls.map((each) => SHORTFALL_WORDS[each]).join('; ')}
      . A cross-check informs; it moves no due date and releases no tool.
    </p>
  );
