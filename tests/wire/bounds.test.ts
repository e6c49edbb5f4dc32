import { describe, expect, test } from 'vitest';
import { z } from 'zod';
import { OPERATIONS } from '#wire/api.ts';

type Node = { readonly [key: string]: unknown };

const isNode = (value: unknown): value is Node => typeof value === 'object' && value !== null;
const hasAny = (node: Node, names: readonly string[]): boolean => names.some((name) => name in node);

/** Why a place of a schema lets too much in; null where it is bounded. */
const gapOf = (node: Node): string | null => {
  const { type } = node;
  if (type === 'string' && !hasAny(node, ['maxLength', 'format', 'enum', 'const', 'pattern']))
    return 'no length';
  if (type === 'array' && !hasAny(node, ['maxItems', 'prefixItems'])) return 'no count';
  if (type === 'number' && !hasAny(node, ['maximum', 'exclusiveMaximum', 'const', 'enum']))
    return 'no maximum';
  if (type === 'object' && 'properties' in node && node['additionalProperties'] !== false)
    return 'takes more fields';
  return null;
};

const gaps = (value: unknown, at: string): readonly string[] => {
  if (Array.isArray(value)) return value.flatMap((each, index) => gaps(each, `${at}/${index}`));
  if (!isNode(value)) return [];
  const own = gapOf(value);
  return [
    ...(own ? [`${at}: ${own}`] : []),
    ...Object.entries(value).flatMap(([name, each]) => gaps(each, `${at}/${name}`)),
  ];
};

describe('everything a request may carry has a bound', () => {
  test.each(Object.entries(OPERATIONS).filter(([, { request }]) => request.def.type !== 'undefined'))(
    '%s',
    (name, { request }) => {
      expect(gaps(z.toJSONSchema(request, { io: 'input', unrepresentable: 'any' }), name)).toEqual([]);
    },
  );

  test('a gap would be found', () => {
    const open = z.object({ text: z.string(), list: z.array(z.number()), kind: z.enum(['a']) });
    expect(gaps(z.toJSONSchema(open, { io: 'input' }), 'open')).toEqual([
      'open: takes more fields',
      'open/properties/text: no length',
      'open/properties/list: no count',
      'open/properties/list/items: no maximum',
    ]);
  });
});

test('what is set aside is kept as it is, or refused: a number that JSON can’t write again is', () => {
  const said = (kept: string) => ({ job: null, kept: JSON.parse(kept), problem: null, why: 'done again' });
  const { request } = OPERATIONS.setAside;
  for (const kept of ['1', '{"a":[1,{"b":-1.5e300}]}', 'null', '"1e400"'])
    expect(request.safeParse(said(kept)).success).toBe(true);
  for (const kept of ['1e400', '{"a":[1,{"b":-1e999}]}'])
    expect(request.safeParse(said(kept)).error?.issues[0]?.message).toBe('holds a number larger than any');
});
