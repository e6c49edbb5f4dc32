import { problemDetailsSchema } from '#wire/problems/details-shape.ts';

const escaped = (text: string): string =>
  text.replace(/[&<>"']/g, (character) => `&#${character.charCodeAt(0)};`);

const RETRY_SECONDS = 5;

/** A page of our own for what can't be shown, from its problem: what happened, why, what to do, and the way back. It asks nothing of the database, and where it was
 *  only too early it tries again by itself. */
export const problemPage = async (problem: Response): Promise<Response> => {
  const { title, detail, fix, retry, status } = problemDetailsSchema.parse(await problem.json());
  const isPassing = status === 503;
  const html = `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="color-scheme" content="light dark">
${isPassing ? `<meta http-equiv="refresh" content="${RETRY_SECONDS}">` : ''}
<title>${escaped(title)} · Jentik</title>
<style>
body { font: 1.125rem/1.5 sans-serif; margin: 0; display: grid; min-height: 100vh; place-items: center; background: light-dark(#f3f0e8, #10161c); color: light-dark(#18212a, #efeadf); color-scheme: light dark; }
main { max-width: 34rem; padding: 1.5rem; border-radius: 0.5rem; margin: 1rem; background: light-dark(#ffffff, #19222b); }
h1 { font-size: 1.5rem; margin: 0 0 0.5rem; }
a { display: inline-block; margin: 0.75rem 1rem 0 0; padding: 0.75rem 1rem; border-radius: 0.375rem; background: light-dark(#1e3f8f, #8fb0ff); color: light-dark(#ffffff, #10161c); font-weight: bold; text-decoration: none; }
</style>
</head>
<body>
<main>
<h1>${escaped(title)}</h1>
<p>${escaped(detail)} ${escaped(fix)}</p>
${isPassing ? `<p>This page tries again every ${RETRY_SECONDS} seconds. What waits in this browser to be sent stays there.</p>` : ''}
${retry ? '<a href="">Try again</a>' : ''}<a href="/jobs">Jobs</a>
</main>
</body>
</html>
`;
  const headers = new Headers({
    'content-type': 'text/html; charset=utf-8',
    'cache-control': 'no-store',
    'content-security-policy':
      "default-src 'none'; style-src 'unsafe-inline'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'",
    'x-content-type-options': 'nosniff',
  });
  const after = problem.headers.get('retry-after');
  if (after) headers.set('retry-after', after);
  return new Response(html, { status, headers });
};
