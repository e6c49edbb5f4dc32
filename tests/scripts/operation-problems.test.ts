import { readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import { OPERATION_PROBLEMS } from '#wire/operation-problems.ts';
import { operationProblemsText } from '../../scripts/openapi/operation-problems.ts';
import { inProject } from '../../scripts/site/paths.ts';

test('what each operation can refuse is what the code of the services says: run npm run openapi after a change', () => {
  expect(readFileSync(inProject('src', 'wire', 'operation-problems.ts'), 'utf8')).toBe(
    operationProblemsText(),
  );
});

test('it finds what stands far below a route, and nothing of a neighbour', () => {
  // checkPin is three calls below the route; the weakness of a PIN is no matter of signing in.
  expect(OPERATION_PROBLEMS.signIn).toEqual(['not-found', 'pin-locked', 'pin-not-chosen', 'wrong-pin']);
  expect(OPERATION_PROBLEMS.join).toEqual(['invitation-unknown', 'pin-too-short', 'pin-weak']);
  expect(OPERATION_PROBLEMS.listPeople).toEqual([]);
});
