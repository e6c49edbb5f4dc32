import { canonicalText } from '#core/canonical.ts';
import { differingField } from '#core/job/differing-field.ts';
import type { StatedThing } from '#wire/ledger-check.ts';
import { nodeSha256 } from '../append/node-sha256.ts';
import type { Connection } from '../database/pool.ts';
import { insertLogEntry, type LogKind, selectStatements, THE_SITE } from '../queries/site-log.ts';
import {
  selectAdapterRows,
  selectPeopleRows,
  selectSiteRow,
  selectSourceRows,
} from '../queries/stated-rows.ts';
import { now } from '../services/clock.ts';

/** What may change and is written down each time that it does: who works here and as what, sources, adapters, what the site has chosen. */
export type Stated = {
  readonly what: StatedThing;
  readonly id: string;
  readonly name: string;
  /** As it stands in its table, or as the log says that it was left. */
  readonly state: unknown;
};

/** Which entries of the log say how they left something. */
const SAYS: Partial<Record<LogKind, StatedThing>> = {
  'person-added': 'person',
  'person-changed': 'person',
  'source-added': 'source',
  'source-changed': 'source',
  'adapter-added': 'adapter',
  'site-changed': 'site',
};

/** What of a person stands in the log: a PIN only as a mark of its hash, so that another one put in its place shows. */
export const personState = (
  { id, name, role }: { readonly id: string; readonly name: string; readonly role: string },
  pinHash: string,
  leftAt: string | null = null,
): object => ({ id, name, role, pin: nodeSha256(pinHash), ...(leftAt === null ? {} : { leftAt }) });

const standing = async (db: Connection): Promise<readonly Stated[]> => {
  const [people, sources, adapters, site] = await Promise.all([
    selectPeopleRows(db),
    selectSourceRows(db),
    selectAdapterRows(db),
    selectSiteRow(db),
  ]);
  return [
    ...people.map(({ pinHash, leftAt, ...person }) => {
      const { id, name } = person;
      return { what: 'person', id, name, state: personState(person, pinHash, leftAt) } as const;
    }),
    ...sources.map((source) => {
      const { id, title: name } = source;
      return { what: 'source', id, name, state: source } as const;
    }),
    ...adapters.map(({ id, code: name, body: state }) => ({ what: 'adapter', id, name, state }) as const),
    ...(site ? [{ what: 'site', id: 'site', name: site.name, state: site } as const] : []),
  ];
};

const keyOf = ({ what, id }: Pick<Stated, 'what' | 'id'>): string => `${what} ${id}`;

const logged = async (db: Connection): Promise<ReadonlyMap<string, Stated>> => {
  const last = new Map<string, Stated>();
  for (const { kind, subject, body } of await selectStatements(db, [
    ...(Object.keys(SAYS) as LogKind[]),
    'restated',
  ])) {
    const { what: said, after } = body as { readonly what?: StatedThing; readonly after?: Stated['state'] };
    const what = SAYS[kind as LogKind] ?? said;
    if (!what || after === undefined) continue;
    const { name, title, code } = after as Readonly<Record<string, string>>;
    const stated = { what, id: subject, name: title ?? code ?? name ?? subject, state: after };
    last.set(keyOf(stated), stated);
  }
  return last;
};

/** Writes down how everything stands that the log says nothing of yet: once, at the first start of a site or of one from before there was a log of it. Later it
 *  would put into the log what somebody put past it. */
export const restateUnlogged = async (db: Connection): Promise<void> => {
  if ((await selectStatements(db, ['restated'])).length > 0) return;
  const known = await logged(db);
  for (const each of await standing(db)) {
    if (known.has(keyOf(each))) continue;
    const { what, id: subject, state: after } = each;
    await insertLogEntry(db, {
      at: now(),
      by: THE_SITE,
      kind: 'restated',
      subject,
      why: '',
      body: { what, after },
    });
  }
};

/** Something that is not as the log left it: `field` is where, null when it is gone. */
export type Misstated = Pick<Stated, 'what' | 'id' | 'name'> & { readonly field: string | null };

/** What is not as the log says that it was left. */
export const misstated = async (db: Connection): Promise<readonly Misstated[]> => {
  const [known, now] = await Promise.all([logged(db), standing(db)]);
  const here = new Map(now.map((each) => [keyOf(each), each]));
  const differing = now.flatMap((each): readonly Misstated[] => {
    const { what, id, name, state } = each;
    const left = known.get(keyOf(each));
    if (!left) return [{ what, id, name, field: 'unlogged' }];
    if (canonicalText(left.state) === canonicalText(state)) return [];
    const field = state instanceof Object ? differingField(left.state as object, state) : null;
    return [{ what, id, name, field: field ?? 'content' }];
  });
  const gone = [...known.values()].flatMap(({ what, id, name }) =>
    here.has(keyOf({ what, id })) ? [] : [{ what, id, name, field: null }],
  );
  return [...differing, ...gone];
};
