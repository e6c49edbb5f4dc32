import { describe, expect, test } from 'vitest';
import { JOINT_KINDS } from '#core/joint/joint-kinds.ts';
import { checkedOwnKind, ownCodeFor } from '#core/joint/own-kind.ts';
import { draftLike, emptyStep, kindOfDraft } from '#ui/settings/joints/kind-draft.ts';

describe('a kind of joint as it is typed', () => {
  test.each(JOINT_KINDS)(
    '$name: one like it, with another name and nothing else changed, can be kept',
    (kind) => {
      const read = kindOfDraft({ ...draftLike(kind, false), name: 'Like it' });
      if ('missing' in read) throw new Error(read.missing);
      expect(read.kind).toMatchObject({
        code: 'own-like-it',
        revision: 1,
        steps: kind.steps,
        words: kind.words,
      });
      expect(read.kind.passes).toEqual(kind.passes);
      expect(checkedOwnKind(read.kind).ok).toBe(true);
    },
  );

  test('what is missing is said by its field', () => {
    const draft = draftLike(JOINT_KINDS[0] as (typeof JOINT_KINDS)[number], false);
    expect(kindOfDraft(draft)).toEqual({ missing: 'Name is not filled in right yet.' });
    const named = { ...draft, name: 'x' };
    expect(kindOfDraft({ ...named, shares: '30, wide' })).toMatchObject({ missing: /Passes/ });
    const step = emptyStep(draft.steps);
    const place = draft.steps.length + 1;
    expect(kindOfDraft({ ...named, steps: [...draft.steps, step] })).toEqual({
      missing: `Step ${place} is not filled in right yet.`,
    });
    const wait = { ...step, title: 'Wait', act: 'wait', minutes: '90' } as const;
    expect(kindOfDraft({ ...named, steps: [...draft.steps, wait] })).toHaveProperty('kind');
    const measured = { ...step, title: 'Gap', act: 'measure', unit: 'mm', low: '0,2', high: '0.1' } as const;
    expect(kindOfDraft({ ...named, steps: [...draft.steps, measured] })).toHaveProperty('missing');
  });

  test('codes are of plain letters, and never one of the application’s', () => {
    expect(ownCodeFor('Schwingklappe Ä 7')).toBe('own-schwingklappe-a-7');
    expect(ownCodeFor('…')).toBe('own-joint');
    expect(ownCodeFor('a'.repeat(80))).toHaveLength(40);
    expect(JOINT_KINDS.some(({ code }) => code.startsWith('own-'))).toBe(false);
  });
});
