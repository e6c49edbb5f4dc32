import { benchBook } from './bench/book.ts';
import { benchJob, benchScreen } from './bench/job.ts';
import { benchRecall } from './bench/recall.ts';

// `npm run bench`, or `npm run bench -- book`: medians over repeated runs in one process and one browser. The machine may be shared:
// compare within one run.

const BENCHES: Readonly<Record<string, () => void | Promise<void>>> = {
  job: benchJob,
  book: benchBook,
  recall: benchRecall,
  screen: benchScreen,
};

const wanted = process.argv.slice(2);
for (const [name, bench] of Object.entries(BENCHES))
  if (wanted.length === 0 || wanted.includes(name)) await bench();
