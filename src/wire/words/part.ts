import type { PartEntry, PartHistory } from '../part.ts';
import { limitsWords, stepResultWords } from './joint.ts';
import { STATUS_WORDS } from './verdict.ts';

/** What happened to a part, in a sentence. */
export const partEntryWords = ({ body }: Pick<PartEntry, 'body'>): string => {
  switch (body.kind) {
    case 'planned':
      return body.as === 'asset'
        ? `a job on it was planned (${body.name})`
        : `planned into a job (${body.name})`;
    case 'pulled':
      return `${body.position} pulled: ${STATUS_WORDS[body.outcome]}`;
    case 'scrapped':
      return `scrapped: ${body.why}${body.replacement ? `; ${body.replacement} took its place` : ''}`;
    case 'step': {
      const wanted = body.limits ? ` (${limitsWords(body.limits)} wanted)` : '';
      return `${body.title}: ${stepResultWords(body.result, null)}${wanted}`;
    }
  }
};

/** The newest entry that said that a part is not good, where nothing good was said of the same step since; null where there is none. */
export const standsAgainst = ({ entries }: PartHistory): PartEntry | null => {
  const spoken = new Set<string>();
  for (const entry of entries) {
    if (entry.body.kind === 'scrapped') return entry;
    if (entry.body.kind !== 'step' || entry.body.result.kind === 'left') continue;
    if (!entry.body.isGood && !spoken.has(entry.body.title)) return entry;
    spoken.add(entry.body.title);
  }
  return null;
};
