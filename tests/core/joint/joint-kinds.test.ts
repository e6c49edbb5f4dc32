import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from 'vitest';
import type { JointKind } from '#core/joint/joint-kind.ts';
import { jointKindSchema, type Pass } from '#core/joint/joint-kind.ts';
import { asKindNow, isKindOfSite, JOINT_KINDS, jointKindOf, workedAs } from '#core/joint/joint-kinds.ts';
import { COLLET_NUT } from '#core/joint/kinds/collet-nut.ts';
import { CONTROL_CABINET } from '#core/joint/kinds/control-cabinet.ts';
import { CONTROL_CABINET_1 } from '#core/joint/kinds/control-cabinet-1.ts';
import { SOFT_SEAT_RING } from '#core/joint/kinds/soft-seat-ring.ts';
import { cautionsOf, makeSafeSteps } from '#core/view/due-steps.ts';
import { inProject } from '../../../scripts/site/paths.ts';
import { planOf, sampleGroup } from '../job/sample-joints.ts';

const isShippedKind = (kind: JointKind): boolean => isKindOfSite(kind, JOINT_KINDS);
const asShippedNow = (kind: JointKind): JointKind => asKindNow(kind, JOINT_KINDS);

const sources = (folder: string): readonly string[] =>
  readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    return statSync(path).isDirectory() ? sources(path) : [path];
  });

describe('kinds of joint are data', () => {
  test.each(JOINT_KINDS.map((kind) => ({ name: kind.code, kind })))(
    '$name has the form of a kind',
    ({ kind }) => {
      expect(jointKindSchema.parse(JSON.parse(JSON.stringify(kind)))).toEqual(kind);
      expect(jointKindOf(kind.code)).toBe(kind);
      expect(isShippedKind(JSON.parse(JSON.stringify(kind)))).toBe(true);
      expect(isShippedKind({ ...kind, steps: kind.steps.slice(1) })).toBe(false);
      expect(isShippedKind({ ...kind, revision: kind.revision + 1 })).toBe(false);
      const sources = [kind.steps, kind.identify ?? [], kind.troubles ?? []].flat();
      expect(sources.every(({ source }) => source === '' || /from memory/.test(source))).toBe(true);
    },
  );

  test.each(JOINT_KINDS.map((kind) => ({ name: kind.code, kind })))(
    '$name warns before the first pull, and its last pass is the whole torque',
    ({ kind }) => {
      const ids = kind.steps.filter(({ stage }) => stage === 'make-safe').map(({ id }) => id);
      expect(ids).toEqual(expect.arrayContaining(['eye-protection', 'click-is-a-warning']));
      expect(kind.passes.at(-1)?.amount).toEqual({ kind: 'share', share: 1 });
      const shares = kind.passes.flatMap(({ amount }) => (amount.kind === 'share' ? [amount.share] : []));
      expect([...shares].sort((a, b) => a - b)).toEqual(shares);
    },
  );

  test.each(JOINT_KINDS.map((kind) => ({ name: kind.code, kind })))(
    '$name says how what its value hangs on is told, and what to do when it goes wrong',
    ({ kind }) => {
      expect(kind.identify?.length).toBeGreaterThan(0);
      expect(kind.troubles?.length).toBeGreaterThan(1);
      expect(kind.passesSource).toBeDefined();
    },
  );

  test('a plan chooses order and passes, and nothing else of a kind', () => {
    const half = { name: 'half', amount: { kind: 'share', share: 0.5 } } as const;
    const full = { name: 'full', amount: { kind: 'share', share: 1 } } as const;
    const worked = (passes: readonly Pass[], roundsUntilStill = true, kind = SOFT_SEAT_RING) =>
      workedAs(kind, { order: 'own', passes, roundsUntilStill, passesSource: 'tried out here' });
    expect(isShippedKind(worked([half, full]))).toBe(true);
    expect(isShippedKind(worked([full], false))).toBe(true);
    expect(isShippedKind({ ...worked([half, full]), name: 'Another' })).toBe(false);
    // Passes that go back, end short, or repeat.
    expect(isShippedKind(worked([full, half]))).toBe(false);
    expect(isShippedKind(worked([half]))).toBe(false);
    expect(isShippedKind(worked([half, half, full]))).toBe(false);
    // Nothing says what moving is where rounds go on until nothing moves.
    expect(isShippedKind(worked([full], true, COLLET_NUT))).toBe(false);
    expect(isShippedKind(worked([full], false, COLLET_NUT))).toBe(true);
  });

  test('a kind of an older plan becomes today’s, in the order and passes it was worked', () => {
    const half = { name: 'half', amount: { kind: 'share', share: 0.5 } } as const;
    const full = { name: 'full', amount: { kind: 'share', share: 1 } } as const;
    const older = { ...SOFT_SEAT_RING, revision: 1, passes: [half, full], troubles: undefined };
    expect(asShippedNow(older as never)).toEqual({ ...SOFT_SEAT_RING, passes: [half, full] });
    // Passes that no plan may choose give way to the kind's own.
    expect(asShippedNow({ ...SOFT_SEAT_RING, revision: 1, passes: [full, half] })).toEqual(SOFT_SEAT_RING);
    expect(asShippedNow(CONTROL_CABINET_1)).toMatchObject({ revision: 3, order: 'reading' });
    expect(asShippedNow(SOFT_SEAT_RING)).toBe(SOFT_SEAT_RING);
    const foreign = { ...SOFT_SEAT_RING, code: 'of-their-own' };
    expect(asShippedNow(foreign)).toBe(foreign);
  });

  test('a kind with two steps of one id, or reversed limits, is none', () => {
    const [step] = COLLET_NUT.steps;
    expect(jointKindSchema.safeParse({ ...COLLET_NUT, steps: [step, step] }).success).toBe(false);
    const act = { kind: 'measure', limits: { unit: 'mm', low: 2, high: 1, from: null } };
    expect(jointKindSchema.safeParse({ ...COLLET_NUT, steps: [{ ...step, act }] }).success).toBe(false);
  });

  test('a machinist gets no electrical caution, and a cabinet has its five and what is measured', () => {
    const cautions = (kind: typeof COLLET_NUT) =>
      cautionsOf(planOf(sampleGroup('A', kind, [{ printed: '38 Nm' }]))).map(({ id }) => id);
    expect(cautions(CONTROL_CABINET)).toHaveLength(5);
    const measured = makeSafeSteps({ groups: [sampleGroup('A', CONTROL_CABINET, []).group] });
    expect(measured.map(({ id, row = '' }) => [id, row])).toEqual([
      ['tester-proved-before', 'proved-dead'],
      ['tested-dead', 'proved-dead'],
      ['tester-proved-after', 'proved-dead'],
      ['discharged', ''],
      ['stored-energy', ''],
    ]);
    expect(makeSafeSteps({ groups: [sampleGroup('A', COLLET_NUT, []).group] })).toEqual([]);
    expect(cautions(COLLET_NUT).filter((id) => /dead|tester|line|locked/.test(id))).toEqual([]);
  });

  test('a caution that two groups ask for is confirmed once', () => {
    const plan = planOf(
      sampleGroup('A', CONTROL_CABINET, [{ printed: '2 Nm' }]),
      sampleGroup('B', COLLET_NUT, [{ printed: '38 Nm' }], 2),
    );
    const ids = cautionsOf(plan).map(({ id }) => id);
    expect(new Set(ids).size).toBe(ids.length);
    expect(ids).toEqual(expect.arrayContaining(['isolated-and-locked', 'cutter-covered']));
  });
});

test('“conductor” and “from the door” belong to the cabinet alone: no screen and no rule says them', () => {
  // What the forms before joint kinds said, the look-up by conductor sizes, the reading of labels on cabinets, and the list of all problems say it too.
  const allowed =
    /joint\/kinds\/control-cabinet|joint\/proved-dead|event\/versions\/|ledger\/statement-[12]|spec\/conductor|spec\/lookup|spec\/label|spec\/search|spec\/book\/(requirement-list|size-doubt)|wire\/(compute|lookup|api)\.ts|wire\/api|wire\/operation-problems|wire\/words\/lookup|problems\/|compute\.ts|compute\/|ui\/specs|ui\/sums|server\/services\/compute/;
  const saying = sources(inProject('src')).filter(
    (path) =>
      !allowed.test(path) &&
      /\.(ts|tsx|astro)$/.test(path) &&
      /conductor|from the door/i.test(readFileSync(path, 'utf8')),
  );
  expect(saying.map((path) => path.replace(inProject('src'), ''))).toEqual([]);
});
