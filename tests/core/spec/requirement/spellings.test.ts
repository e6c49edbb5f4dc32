import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { readRequirement } from '#core/spec/requirement/read-requirement.ts';
import { inProject } from '../../../../scripts/site/paths.ts';
import { requirementNotation } from './requirement-notation.ts';

const lines = readFileSync(inProject('tests/core/spec/requirement/spellings.tsv'), 'utf8')
  .split('\n')
  .filter((line) => line !== '' && !line.startsWith('# '))
  .map((line) => {
    const at = line.lastIndexOf('\t');
    return { printed: line.slice(0, at), says: line.slice(at + 1) };
  });

const said = (printed: string): string => {
  const read = readRequirement(printed, 'N.m');
  if (!read.ok) return `? ${read.refusal.code}`;
  const { requirement, alsoPrinted, disagreements } = read.value;
  return disagreements.length > 0
    ? '! disagrees'
    : [requirement, ...alsoPrinted].map(requirementNotation).join(' & ');
};

describe('what workshops print', () => {
  test('there are a thousand spellings at least, each once', () => {
    expect(new Set(lines.map(({ printed }) => printed)).size).toBe(lines.length);
    expect(lines.length).toBeGreaterThanOrEqual(1_000);
  });

  test('each is read as what it says, or asked about', () => {
    const misread = lines
      .map(({ printed, says }) => ({ printed, says, said: said(printed) }))
      .filter((each) => each.said !== each.says);
    expect(misread).toEqual([]);
  });
});
