import type { Drive } from '#core/tool/drive.ts';
import type { FastenerStatus } from '#core/view/bench.ts';
import { STATUS_WORDS } from '#wire/words/verdict.ts';
import { HeadSymbol } from './HeadSymbol.tsx';
import { WitnessStripe } from './WitnessStripe.tsx';

type Props = { readonly status: FastenerStatus; readonly drive: Drive; readonly size?: number };

/** A fastener's head with its witness stripe, small, named for those who can't see it. */
export const StatusIcon = ({ status, drive, size = 28 }: Props) => (
  <svg
    width={size}
    height={size}
    viewBox="-1.6 -1.6 3.2 3.2"
    role="img"
    aria-label={STATUS_WORDS[status]}
    className="shrink-0"
  >
    <HeadSymbol drive={drive} />
    <WitnessStripe status={status} />
  </svg>
);
