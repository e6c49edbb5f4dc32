import { boardJob } from '#client/layout/board-job.ts';
import type { Laying } from '#client/layout/board-store.ts';
import { siteKindOf, siteKinds } from '#client/site-kinds.ts';
import { readFastenerLines } from '#core/job/fastener-list.ts';
import type { JointKind } from '#core/joint/joint-kind.ts';
import { repeatedNames } from '#core/layout/board.ts';
import { problemDetails } from '#wire/problems/problem-details.ts';
import type { Site } from '#wire/site.ts';

/** What is still missing on a board before it can become a job, in a few words; null where nothing is. */
export const missingOn = (laying: Laying, site: Site): string | null => {
  const { board, groups } = laying;
  if (board.length === 0) return 'Lay out the fasteners first';
  const inUse = groups.filter(({ id }) => board.some(({ group }) => group === id));
  const which = (id: string): string => (inUse.length > 1 ? ` of group ${id}` : '');
  const without = inUse.find(({ jointKind }) => jointKind === '');
  if (without) return `Choose the kind of joint${which(without.id)}`;
  const [repeated] = repeatedNames(board);
  if (repeated !== undefined) return `${repeated} stands twice: name one of them anew`;
  const { lines } = boardJob(laying);
  const untold = lines.find(({ cells }) => (cells['requirement'] ?? '').trim() === '');
  if (untold) return `Say the torque${which(untold.cells['group'] ?? '')}`;
  const kinds = new Map(inUse.map(({ id, jointKind }) => [id, siteKindOf(jointKind)]));
  const kindOf = (group: string): JointKind => kinds.get(group) ?? (siteKinds()[0] as JointKind);
  const read = readFastenerLines(lines, { kindOf, siteUnit: site.unit, schools: site.schools });
  const doubtful = read.find(({ findings }) => findings.length > 0);
  const [finding] = doubtful?.findings ?? [];
  return finding && doubtful
    ? `${doubtful.listed.cells['position'] ?? ''}: ${problemDetails(finding.refusal).title}`
    : null;
};
