// Writes what rules 3 answer to the ten thousand questions of version 2, by the code of the checkout it stands in:
//   npx tsx tests/golden/version-3/make.ts
// It was run once, at the commit that froze them. Nothing here may be run against newer code: what it wrote is the expectation.
import { writeFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import { decidedToday, type Kept } from '../../core/rules/decided.ts';
import { unpacked } from '../golden.ts';

const RULES = 3;
const kept = JSON.parse(unpacked(2, 'rules.json.gz')) as Kept;
const decisions = kept.decisions.map((each) => decidedToday(each, kept, RULES));
const text = JSON.stringify({ ...kept, decisions });
writeFileSync(new URL('./rules.json.gz', import.meta.url), gzipSync(text, { level: 9 }));
