import { writeFileSync } from 'node:fs';
import { rightsText } from '#wire/rights.ts';
import { inProject } from './site/paths.ts';

// `npm run rights`: writes docs/rights.md.

writeFileSync(inProject('docs', 'rights.md'), rightsText());
