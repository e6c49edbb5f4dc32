import { spawn } from 'node:child_process';
import { createConnection } from 'mysql2/promise';
import { inProject } from '../site/paths.ts';

const open = (databaseUrl: string): Promise<{ readonly code: number; readonly said: string }> =>
  new Promise((resolve) => {
    const { JENTIK_APP_DATABASE_URL: _, ...env } = process.env;
    const child = spawn(process.execPath, ['--import', 'tsx', inProject('scripts', 'load', 'open-site.ts')], {
      env: { ...env, JENTIK_DATABASE_URL: databaseUrl },
      cwd: inProject(),
    });
    let said = '';
    child.stdout.on('data', (chunk) => (said += chunk));
    child.stderr.on('data', (chunk) => (said += chunk));
    child.on('exit', (code) => resolve({ code: code ?? 1, said: said.trim() }));
  });

const tables = async (ownerUrl: string, name: string): Promise<string> => {
  const db = await createConnection({ uri: `${ownerUrl}/${name}` });
  const [counts] = await db.query(
    'SELECT (SELECT COUNT(*) FROM schema_migrations) AS migrations, (SELECT COUNT(*) FROM site) AS sites, (SELECT COUNT(*) FROM book_tables) AS tables',
  );
  await db.end();
  return JSON.stringify(counts);
};

/** Lets processes start on an empty database at once, so many times, each through one of the servers; answers what went wrong. */
export const startAtOnce = async (
  ownerUrls: readonly string[],
  times: number,
): Promise<readonly string[]> => {
  const problems: string[] = [];
  let expected = '';
  for (let time = 0; time < times; time += 1) {
    const name = `first_start_${time}`;
    const ends = await Promise.all(
      [0, 1].map((index) => open(`${ownerUrls[index % ownerUrls.length]}/${name}`)),
    );
    for (const { code, said } of ends)
      if (code !== 0) problems.push(`a first start ended with ${code}: ${said}`);
    const made = await tables(ownerUrls[0] as string, name).catch(String);
    expected ||= made;
    if (made !== expected || !made.includes('"sites":1'))
      problems.push(`${name} holds ${made}, not ${expected}`);
  }
  return problems;
};
