import { v4 as uuidv4 } from 'uuid';
import type { Random } from '../campaign/seeded.ts';
import type { SiteClient } from '../load/site-client.ts';
import type { Known } from './from-schema.ts';

const TEXTS: readonly string[] = [
  '12',
  '1.5',
  '0.08',
  '12 Nm',
  '20 to 24 in-lb',
  'max 32 in-lb',
  '0.5 N·m ± 6 %',
  '2.4',
  'hand tight',
  'M5',
  '14 AWG',
  '2.5 mm²',
  'a note',
  'TS-01',
  'R-3',
  'Manual BL-200, rev. C',
  'N.m',
  'lbf.in',
  '3 · 4 | 5',
  'Größe 10 Ω',
];

/** Ids that are there, by what stands in braces in a path or by the field that takes one. */
export type Ids = Readonly<Record<string, readonly string[]>>;

type Row = Readonly<Record<string, unknown>>;
const idsOf = (body: unknown, field = 'id'): readonly string[] =>
  (Array.isArray(body) ? (body as Row[]) : []).flatMap((row) => {
    const own = row[field] ?? (row['tool'] as Row | undefined)?.[field];
    return typeof own === 'string' ? [own] : [];
  });

const NAMES_OF_COMPUTE = [
  'parse-torque',
  'convert',
  'resolve-requirement',
  'tool-setting',
  'verdict',
  'conductor',
];

/** Reads what there is on a site now. */
export const knownIds = async (client: SiteClient): Promise<Ids> => {
  const get = async (path: string): Promise<unknown> => (await client.ask('GET', path)).body;
  const [jobs, tools, sources, tables, people, adapters, parts, requirements, backups] = await Promise.all(
    ['jobs', 'tools', 'sources', 'tables', 'people', 'adapters', 'parts', 'requirements', 'backups'].map(
      (name) => get(`/api/v1/${name}`),
    ),
  );
  const listed = (requirements as { readonly requirements?: unknown })?.requirements ?? requirements;
  const [tool] = idsOf(tools);
  const attachments = tool ? idsOf(await get(`/api/v1/attachments/tool/${tool}`)) : [];
  return {
    job: idsOf(jobs),
    tool: idsOf(tools),
    source: idsOf(sources),
    table: idsOf(tables),
    person: idsOf(people),
    adapter: idsOf(adapters),
    requirement: [...idsOf(listed), ...idsOf(listed, 'code')],
    part: idsOf(parts, 'code'),
    attachment: attachments,
    backup: idsOf(backups, 'name'),
    kind: ['source', 'tool', 'session', 'job', 'requirement', 'table'],
    owner: [...idsOf(tools), ...idsOf(sources), ...idsOf(jobs)],
    value: [...idsOf(listed), ...idsOf(tables)],
    first: [...idsOf(listed), ...idsOf(tables)],
    other: [...idsOf(listed), ...idsOf(tables)],
    token: [uuidv4().replaceAll('-', '')],
    name: NAMES_OF_COMPUTE,
  };
};

const POOL_OF: Readonly<Record<string, string>> = {
  toolId: 'tool',
  sourceId: 'source',
  supersededBy: 'source',
  personId: 'person',
  job: 'job',
  jobId: 'job',
  tableId: 'table',
  requirementId: 'requirement',
};

/** What generated bodies take from the site: ids by the field that takes one, texts as people type them. */
export const knownOf = (ids: Ids): Known => ({
  idFor: (field, random) => {
    const pool = ids[POOL_OF[field] ?? ''] ?? [];
    if (pool.length > 0 && random.chance(0.9)) return random.pick(pool);
    return field === 'id' && random.chance(0.2) ? random.pick(ids['tool'] ?? [uuidv4()]) : uuidv4();
  },
  textFor: (field, random) =>
    /code|name|title/i.test(field) && random.chance(0.7) ? `F-${random.whole(1e6)}` : random.pick(TEXTS),
});

/** An id for what stands in braces in a path. */
export const idIn = (name: string, ids: Ids, random: Random): string => {
  const pool = ids[name] ?? [];
  return pool.length > 0 ? random.pick(pool) : uuidv4();
};
