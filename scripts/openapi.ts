import { writeFileSync } from 'node:fs';
import { openApiText } from '#wire/openapi.ts';
import { inProject } from './site/paths.ts';

writeFileSync(inProject('docs', 'openapi.json'), openApiText());
