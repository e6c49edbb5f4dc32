import { FINE_THREAD_NUTS, FLARED_TUBE_NUTS } from './aircraft-practice.ts';
import { INCH_BOLT_STRENGTH, METRIC_BOLT_STRENGTH, STAINLESS_BOLT_STRENGTH } from './bolt-strength.ts';
import { COPPER_FLARE_NUTS } from './copper-flare-nuts.ts';
import type { PublishedTable } from './published-table.ts';
import { SCREW_TERMINALS, SOCKET_SCREWS } from './screw-terminals.ts';

/** Every table that ships with Jentik as a reference of last resort; each names its source. */
export const PUBLISHED_TABLES: readonly PublishedTable[] = [
  SCREW_TERMINALS,
  SOCKET_SCREWS,
  FLARED_TUBE_NUTS,
  FINE_THREAD_NUTS,
  COPPER_FLARE_NUTS,
  METRIC_BOLT_STRENGTH,
  STAINLESS_BOLT_STRENGTH,
  INCH_BOLT_STRENGTH,
];
