import { z } from 'zod';
import { OPERATIONS } from './api.ts';
import type { Operation } from './operation.ts';
import { PROBLEM_MEDIA_TYPE, problemDetailsSchema } from './problems/details-shape.ts';
import { type ProblemCode, problemStatus } from './problems/problem.ts';
import { problemsOf } from './problems-of.ts';
import { TOKEN_SCOPES } from './token.ts';

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

const operationObject = (id: string, operation: Operation, answers: Answers): unknown => ({
  operationId: id,
  summary: operation.summary,
  ...(operation.who !== 'anyone'
    ? { security: [{ session: [] }, ...(operation.tokens ? [{ token: [...operation.tokens] }] : [])] }
    : { security: [] }),
  parameters: pathParameters(operation.path),
  ...(operation.request instanceof z.ZodUndefined
    ? {}
    : {
        requestBody: {
          required: true,
          content: { 'application/json': { schema: jsonSchema(operation.request, 'input', answers.named) } },
        },
      }),
  responses: {
    '200': {
      description: operation.summary,
      content: {
        [mediaType(operation.path)]: {
          schema: jsonSchema(operation.response, 'output', answers.named),
        },
      },
    },
    ...problemResponses(id, operation, answers),
  },
});

/** The answers that are problems, each once for all operations that give it: its codes, and what it is called. */
type Answers = {
  readonly named: Schemas;
  readonly names: Map<string, string>;
  readonly responses: Record<string, unknown>;
};

/** The name of the answer of a status with these codes. */
const problemResponse = (
  status: number,
  codes: readonly ProblemCode[],
  { named, names, responses }: Answers,
): string => {
  const key = `${status} ${codes.join(' ')}`;
  const known = names.get(key);
  if (known) return known;
  const name = `Problem${status}-${names.size + 1}`;
  names.set(key, name);
  responses[name] = {
    description: 'A problem, with what to do',
    content: {
      [PROBLEM_MEDIA_TYPE]: {
        schema: {
          allOf: [
            jsonSchema(problemDetailsSchema, 'output', named),
            { properties: { type: { enum: codes.map((code) => `urn:jentik:problem:${code}`) } } },
          ],
        },
      },
    },
  };
  return name;
};

/** The answers of an operation that are problems, by status. */
const problemResponses = (id: string, operation: Operation, answers: Answers): Record<string, unknown> => {
  const byStatus = new Map<number, ProblemCode[]>();
  for (const code of problemsOf(id as keyof typeof OPERATIONS, operation))
    byStatus.set(problemStatus(code), [...(byStatus.get(problemStatus(code)) ?? []), code]);
  return Object.fromEntries(
    [...byStatus].map(([status, codes]) => [
      String(status),
      { $ref: `#/components/responses/${problemResponse(status, codes, answers)}` },
    ]),
  );
};

/** The description of the interface of programs, OpenAPI 3.1, from the schemas that check it. */
export const openApiDocument = (): unknown => {
  const answers: Answers = { named: {}, names: new Map(), responses: {} };
  const paths: Record<string, Record<string, unknown>> = {};
  for (const [id, operation] of Object.entries(OPERATIONS)) {
    const path = paths[operation.path] ?? {};
    path[operation.method.toLowerCase()] = operationObject(id, operation, answers);
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
    servers: [
      {
        url: '{address}',
        description: 'The site, at the address it was started with (JENTIK_ADDRESS)',
        variables: { address: { default: 'http://127.0.0.1:4321' } },
      },
    ],
    paths,
    components: {
      schemas: answers.named,
      responses: answers.responses,
      securitySchemes: {
        session: {
          type: 'apiKey',
          in: 'cookie',
          name: 'jentik_session',
          description: 'Of a person who signed in; __Host-jentik_session where the site is reached by https',
        },
        token: {
          type: 'http',
          scheme: 'bearer',
          description: `Of a program, good for one of: ${TOKEN_SCOPES.join(', ')}`,
        },
      },
    },
  });
};

/** The text of docs/openapi.json. */
export const openApiText = (): string => `${JSON.stringify(openApiDocument(), null, 2)}\n`;
