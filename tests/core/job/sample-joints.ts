import { valueOrThrow } from '#core/fault.ts';
import type { JobPlan, PlannedFastener, PlannedGroup } from '#core/job/plan.ts';
import type { JointKind } from '#core/joint/joint-kind.ts';
import { COLLET_NUT } from '#core/joint/kinds/collet-nut.ts';
import { SOFT_PART_CLAMP } from '#core/joint/kinds/soft-part-clamp.ts';
import { SOFT_SEAT_RING } from '#core/joint/kinds/soft-seat-ring.ts';
import type { BookReference } from '#core/spec/book/book-reference.ts';
import { NO_CONDITIONS } from '#core/spec/requirement/conditions.ts';
import { readRequirement } from '#core/spec/requirement/read-requirement.ts';
import type { Tool } from '#core/tool/tool.ts';
import { samplePlan, TOOL } from './sample-job.ts';

/** A screwdriver in centinewton metres and a wrench in newton metres, made up for the tests. */
export const SMALL: Tool = {
  ...TOOL,
  id: '0190a000-0000-7000-8000-0000000000a5',
  code: 'T-5',
  limitPercent: 2,
  restSetting: 10,
  scale: {
    ...TOOL.scale,
    unit: 'cN.m',
    minimum: 10,
    maximum: 120,
    perTurn: 10,
    graduation: 1,
    mainStart: 10,
  },
};
export const LARGE: Tool = {
  ...TOOL,
  id: '0190a000-0000-7000-8000-0000000000a6',
  code: 'T-6',
  kind: 'adjustable-click-wrench',
  toolClass: 'II-A',
  limitPercent: 4,
  restSetting: 2,
  scale: { ...TOOL.scale, unit: 'N.m', minimum: 2, maximum: 60, perTurn: 2, graduation: 0.1, mainStart: 2 },
};

/** What a book says beside a torque. */
export const bookSaying = (change: Partial<BookReference>): BookReference => ({
  kind: 'requirement',
  id: '0190a000-0000-7000-8000-0000000000c1',
  code: 'R-1',
  revision: 1,
  sourceId: '0190a000-0000-7000-8000-0000000000c2',
  source: { title: 'Card', revision: '1', place: 'row 1' },
  otherPart: null,
  conditions: NO_CONDITIONS,
  isPartSofter: false,
  decided: null,
  ...change,
});

type Asked = { readonly printed: string; readonly part?: string; readonly book?: BookReference | null };

const fastener = (
  group: string,
  position: string,
  { printed, part = '', book = null }: Asked,
): PlannedFastener => ({
  ...(samplePlan([printed]).fasteners[0] as PlannedFastener),
  position,
  group,
  part,
  details: {},
  requirement: {
    printed,
    readAs: null,
    book,
    requirement: valueOrThrow(readRequirement(printed, 'N.m')).requirement,
  },
});

/** A group of a kind with fasteners at positions that count on from `from`. */
export const sampleGroup = (
  id: string,
  kind: JointKind,
  asked: readonly Asked[],
  from = 1,
): { readonly group: PlannedGroup; readonly fasteners: readonly PlannedFastener[] } => ({
  group: {
    id,
    title: `group ${id}`,
    kind,
    seenFrom: kind.words.seenFrom,
    parts: [...new Set(asked.flatMap(({ part }) => part || []))].map((code) => ({
      code,
      name: kind.words.part || 'part',
      isIrreplaceable: false,
    })),
  },
  fasteners: asked.map((each, index) => fastener(id, String(from + index), each)),
});

/** A plan of groups in their order. */
export const planOf = (...groups: readonly ReturnType<typeof sampleGroup>[]): JobPlan => ({
  ...samplePlan(['1 Nm']),
  groups: groups.map(({ group }) => group),
  fasteners: groups.flatMap(({ fasteners }) => fasteners),
});

/** A ring of screws on a soft seat. */
export const ringPlan = (printed: readonly string[] = Array(4).fill('0.42 ±0.04 Nm')): JobPlan =>
  planOf(
    sampleGroup(
      'A',
      SOFT_SEAT_RING,
      printed.map((each) => ({ printed: each })),
    ),
  );

/** A collet nut whose book sets the runout. */
export const colletPlan = (runoutMm = 0.01): JobPlan =>
  planOf(
    sampleGroup('A', COLLET_NUT, [
      {
        printed: '36 to 40 Nm',
        part: 'KC-1',
        book: bookSaying({
          conditions: { ...NO_CONDITIONS, second: [{ kind: 'runout', limitMillimetres: runoutMm }] },
        }),
      },
    ]),
  );

/** A clamp of two screws, whose part stands less than the clamp asks. */
export const clampPlan = (): JobPlan => {
  const other = valueOrThrow(readRequirement('max 5 Nm', 'N.m')).requirement;
  const book = bookSaying({
    otherPart: { part: 'tube', printed: 'max 5 Nm', readAs: null, requirement: other },
  });
  return planOf(
    sampleGroup(
      'A',
      SOFT_PART_CLAMP,
      [1, 2].map(() => ({ printed: '5 to 6 Nm', part: 'BAR-1', book })),
    ),
  );
};
