import { writeFileSync } from 'node:fs';
import { operationProblemsText } from './openapi/operation-problems.ts';
import { inProject } from './site/paths.ts';

// `npm run openapi`: writes what each operation can refuse, and then docs/openapi.json, which names it.

writeFileSync(inProject('src', 'wire', 'operation-problems.ts'), operationProblemsText());
const { openApiText } = await import('#wire/openapi.ts');
writeFileSync(inProject('docs', 'openapi.json'), openApiText());
