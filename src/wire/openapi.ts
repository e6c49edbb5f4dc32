import { z } from 'zod';
import { OPERATIONS } from './api.ts';
import type { Operation } from './operation.ts';
import { PROBLEM_MEDIA_TYPE, problemDetailsSchema } from './problems/details-shape.ts';

type Schemas = Record<string, unknown>;

/** The JSON schema of a schema; what has a name of its own goes into `named`, once for all operations. */
const jsonSchema = (schema: z.ZodType, io: 'input' | 'output', named: Schemas): unknown => {
  const { $schema: _, $defs, ...rest } = z.toJSONSchema(schema, { io, unrepresentable: 'any' });
  Object.assign(named, $defs);
  return rest;
};

const withComponentReferences = (document: unknown): unknown =>
  JSON.parse(JSON.stringify(document).replaceAll('#/$defs/', '#/components/schemas/'));

/** Path parameters that are names; the others are ids. */
const PLAIN_PARAMETERS: ReadonlySet<string> = new Set(['kind', 'requirement', 'token']);

const pathParameters = (path: string): readonly unknown[] =>
  [...path.matchAll(/\{(\w+)\}/g)].map(([, name]) => ({
    name,
    in: 'path',
    required: true,
    schema: PLAIN_PARAMETERS.has(name ?? '') ? { type: 'string' } : { type: 'string', format: 'uuid' },
  }));

const MEDIA_TYPES: Readonly<Record<string, string>> = {
  csv: 'text/csv',
  pdf: 'application/pdf',
  svg: 'image/svg+xml',
  ics: 'text/calendar',
};
const mediaType = (path: string): string => MEDIA_TYPES[path.split('.').at(-1) ?? ''] ?? 'application/json';

const operationObject = (id: string, operation: Operation, named: Schemas): unknown => ({
  operationId: id,
  summary: operation.summary,
  ...(operation.who !== 'anyone' ? { security: [{ session: [] }] } : { security: [] }),
  parameters: pathParameters(operation.path),
  ...(operation.request instanceof z.ZodUndefined
    ? {}
    : {
        requestBody: {
          required: true,
          content: { 'application/json': { schema: jsonSchema(operation.request, 'input', named) } },
        },
      }),
  responses: {
    '200': {
      description: operation.summary,
      content: {
        [mediaType(operation.path)]: {
          schema: jsonSchema(operation.response, 'output', named),
        },
      },
    },
    default: {
      description: 'A problem, with what to do',
      content: { [PROBLEM_MEDIA_TYPE]: { schema: jsonSchema(problemDetailsSchema, 'output', named) } },
    },
  },
});

/** The description of the interface of programs, OpenAPI 3.1, from the schemas that check it. */
export const openApiDocument = (): unknown => {
  const named: Schemas = {};
  const paths: Record<string, Record<string, unknown>> = {};
  for (const [id, operation] of Object.entries(OPERATIONS)) {
    const path = paths[operation.path] ?? {};
    path[operation.method.toLowerCase()] = operationObject(id, operation, named);
    paths[operation.path] = path;
  }
  return withComponentReferences({
    openapi: '3.1.0',
    info: {
      title: 'Jentik',
      version: '1',
      license: { name: 'Apache-2.0', identifier: 'Apache-2.0' },
      description:
        'From a printed torque requirement to a signed record. Quantities are a value and a unit code.',
    },
    paths,
    components: {
      schemas: named,
      securitySchemes: { session: { type: 'apiKey', in: 'cookie', name: 'jentik_session' } },
    },
  });
};

/** The text of docs/openapi.json. */
export const openApiText = (): string => `${JSON.stringify(openApiDocument(), null, 2)}\n`;
