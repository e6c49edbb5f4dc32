import { benchAppend } from './bench/append.ts';
import { benchBoard } from './bench/board.ts';
import { benchBook } from './bench/book.ts';
import { benchCold } from './bench/cold.ts';
import { benchDevices } from './bench/devices.ts';
import { benchDoors } from './bench/doors.ts';
import { benchGuessing } from './bench/guessing.ts';
import { benchJob } from './bench/job.ts';
import { benchList } from './bench/list.ts';
import { benchPrint } from './bench/print.ts';
import { benchRecall } from './bench/recall.ts';
import { benchRoute } from './bench/route.ts';
import { benchScreen } from './bench/screen.ts';
import { benchSimulate } from './bench/simulate.ts';

// `npm run bench`, or `npm run bench -- append book`: medians over repeated runs in one process and one browser; with --json one object a
// line. The machine may be shared: compare within one run.

const BENCHES: Readonly<Record<string, () => void | Promise<void>>> = {
  print: benchPrint,
  job: benchJob,
  append: benchAppend,
  book: benchBook,
  recall: benchRecall,
  devices: benchDevices,
  doors: benchDoors,
  guessing: benchGuessing,
  screen: benchScreen,
  cold: benchCold,
  list: benchList,
  route: benchRoute,
  simulate: benchSimulate,
  board: benchBoard,
};

const wanted = process.argv.slice(2).filter((arg) => !arg.startsWith('--'));
const unknown = wanted.filter((name) => !(name in BENCHES));
if (unknown.length > 0) {
  console.error(`There is no benchmark ${unknown.join(', ')}; there are ${Object.keys(BENCHES).join(', ')}.`);
  process.exit(2);
}
const failed: string[] = [];
for (const [name, bench] of Object.entries(BENCHES)) {
  if (wanted.length > 0 && !wanted.includes(name)) continue;
  try {
    await bench();
  } catch (error) {
    // The others still run to their end; the command fails all the same.
    console.error(`benchmark ${name} failed:`, error);
    failed.push(name);
  }
}
process.exitCode = failed.length > 0 ? 1 : 0;
