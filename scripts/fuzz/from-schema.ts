import type { Random } from '../campaign/seeded.ts';

/** A JSON schema as zod writes it. */
export type Schema = {
  readonly type?: string | readonly string[];
  readonly enum?: readonly unknown[];
  readonly const?: unknown;
  readonly anyOf?: readonly Schema[];
  readonly oneOf?: readonly Schema[];
  readonly allOf?: readonly Schema[];
  readonly properties?: Readonly<Record<string, Schema>>;
  readonly required?: readonly string[];
  readonly items?: Schema;
  readonly prefixItems?: readonly Schema[];
  readonly minItems?: number;
  readonly maxItems?: number;
  readonly minLength?: number;
  readonly maxLength?: number;
  readonly minimum?: number;
  readonly maximum?: number;
  readonly exclusiveMinimum?: number;
  readonly exclusiveMaximum?: number;
  readonly format?: string;
  readonly pattern?: string;
  readonly additionalProperties?: Schema | boolean;
  readonly $ref?: string;
  readonly $defs?: Readonly<Record<string, Schema>>;
};

/** What a schema can't say and the site knows: ids that are there, by the name of the field that takes one. */
export type Known = {
  readonly idFor: (field: string, random: Random) => string;
  readonly textFor: (field: string, random: Random) => string;
};

const MOST_DEEP = 9;
const DAY_MS = 86_400_000;

const dayText = (random: Random): string =>
  new Date(Date.parse('2026-11-01') + (random.whole(900) - 400) * DAY_MS).toISOString();

const hex = (length: number, random: Random): string =>
  Array.from({ length }, () => random.whole(16).toString(16)).join('');

const textOf = (schema: Schema, field: string, random: Random, known: Known): string => {
  if (schema.format === 'uuid') return known.idFor(field, random);
  if (schema.format === 'date') return dayText(random).slice(0, 10);
  if (schema.format === 'date-time') return dayText(random);
  const fixed = /\{(\d+)\}/.exec(schema.pattern ?? '')?.[1];
  if (schema.pattern?.includes('[0-9a-f]')) return hex(Number(fixed ?? 64), random);
  if (schema.pattern?.includes('\\d')) return String(1000 + random.whole(9000));
  const text = known.textFor(field, random);
  return text.slice(0, schema.maxLength ?? 200).padEnd(schema.minLength ?? 0, 'x');
};

const numberOf = (schema: Schema, random: Random): number => {
  const low = schema.minimum ?? schema.exclusiveMinimum ?? 0;
  const high = schema.maximum ?? schema.exclusiveMaximum ?? low + 100;
  const number = low + random.next() * (Math.min(high, low + 10_000) - low);
  if (schema.type === 'integer') return Math.min(high, Math.max(low, Math.round(number)));
  return Number((number || 0.5).toPrecision(1 + random.whole(4)));
};

/** A value that a schema takes, or nearly: what people would send, before something is made wrong with it. */
export const fromSchema = (
  schema: Schema,
  random: Random,
  known: Known,
  root: Schema = schema,
  field = '',
  depth = 0,
): unknown => {
  const inner = (each: Schema, name = field): unknown =>
    fromSchema(each, random, known, root, name, depth + 1);
  if (depth > MOST_DEEP) return null;
  if (schema.$ref) {
    const name = schema.$ref.split('/').at(-1) ?? '';
    return inner(schema.$ref === '#' ? root : (root.$defs?.[name] ?? {}));
  }
  if (schema.const !== undefined) return schema.const;
  if (schema.enum) return random.pick(schema.enum);
  const either = schema.anyOf ?? schema.oneOf;
  if (either) return inner(random.pick(either));
  if (schema.allOf) return Object.assign({}, ...schema.allOf.map((each) => inner(each)));
  const type = Array.isArray(schema.type) ? random.pick(schema.type) : schema.type;
  switch (type) {
    case 'object': {
      const entries = Object.entries(schema.properties ?? {}).flatMap(([name, each]) =>
        schema.required?.includes(name) || random.chance(0.5) ? [[name, inner(each, name)]] : [],
      );
      return Object.fromEntries(entries);
    }
    case 'array': {
      if (schema.prefixItems) return schema.prefixItems.map((each) => inner(each));
      const least = schema.minItems ?? 0;
      const count = Math.min(schema.maxItems ?? 4, Math.max(least, random.whole(4)));
      return Array.from({ length: count }, () => inner(schema.items ?? {}));
    }
    case 'string':
      return textOf(schema, field, random, known);
    case 'number':
    case 'integer':
      return numberOf(schema, random);
    case 'boolean':
      return random.chance(0.5);
    default:
      return null;
  }
};
