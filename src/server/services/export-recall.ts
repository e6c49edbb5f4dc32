import { Fault } from '#core/fault.ts';
import { accepted, type Result } from '#core/result.ts';
import { csvOf } from '#core/spec/list/csv-text.ts';
import type { Problem } from '#wire/problems/problem.ts';
import { scaleRangeWords } from '#wire/words/setting.ts';
import { sinceWords, TOOL_KIND_WORDS } from '#wire/words/tool.ts';
import { pdfOf } from './pdf-page.ts';
import { type FoundOut, foundOut, type RecallProgress, recallOf } from './recall-tool.ts';
import { cribTools } from './tool-crib.ts';

type Found = Extract<RecallProgress, { readonly kind: 'found' }>;
type ExportedBytes = { readonly name: string; readonly type: string; readonly bytes: Uint8Array };

const whole = async (
  toolId: string,
): Promise<Result<{ readonly out: FoundOut; readonly found: Found }, Problem>> => {
  const out = await foundOut(toolId);
  if (!out.ok) return out;
  const found: Found[] = [];
  for await (const step of recallOf(out.value, toolId)) if (step.kind === 'found') found.push(step);
  const [last] = found;
  // A recall ends with what it found, or throws.
  if (!last) throw new Fault('a recall ended without an answer');
  return accepted({ out: out.value, found: last });
};

/** The recalled jobs of a tool as CSV (RFC 4180). Refuses: not-found-out. */
export const recallCsv = async (toolId: string): Promise<Result<ExportedBytes, Problem>> => {
  const recall = await whole(toolId);
  if (!recall.ok) return recall;
  const rows = recall.value.found.jobs.map((job) => ({
    job: job.number,
    title: job.title,
    pulls: job.pulls,
    outside_worst_case: job.outsideWorst,
    outside_linear_in_use: job.outsideLinear,
    farthest_percent_outside: job.farthestPercent.toFixed(2),
    decision: job.decision?.what ?? '',
    decided_because: job.decision?.why ?? '',
    decided_by: job.decision?.by ?? '',
  }));
  const text = csvOf(rows);
  return accepted({ name: 'jentik-recall.csv', type: 'text/csv; charset=utf-8', bytes: Buffer.from(text) });
};

/** The recalled jobs of a tool as PDF. Refuses: not-found-out. */
export const recallPdf = async (toolId: string): Promise<Result<ExportedBytes, Problem>> => {
  const recall = await whole(toolId);
  if (!recall.ok) return recall;
  const { out, found } = recall.value;
  const tool = (await cribTools()).find((known) => known.tool.id === toolId)?.tool;
  const bytes = await pdfOf((pdf) => {
    pdf
      .fontSize(18)
      .text(tool ? `What ${tool.code} touched` : 'Recall')
      .moveDown(0.4)
      .fontSize(10);
    if (tool)
      pdf.text(`${TOOL_KIND_WORDS[tool.kind]}, ${scaleRangeWords(tool.scale)}, serial ${tool.serial}`);
    pdf.text(`Found out on ${out.session.doneOn} against ${out.session.reference}.`);
    pdf
      .text(`${found.uses} pulls since ${sinceWords(found.since)} were judged again with the error as found.`)
      .moveDown();
    for (const job of found.jobs) {
      pdf.fontSize(11).text(`${job.number}  ${job.title}`).fontSize(10);
      pdf.text(
        `${job.outsideWorst} of ${job.pulls} pulls outside in the worst case, ${job.outsideLinear} if the error grew with use; farthest ${job.farthestPercent.toFixed(1)} % outside.`,
      );
      pdf
        .text(job.decision ? `${job.decision.what}, ${job.decision.by}: ${job.decision.why}` : 'Not decided.')
        .moveDown(0.6);
    }
    if (found.jobs.length === 0) pdf.text('No pull is outside.');
  });
  return accepted({ name: 'jentik-recall.pdf', type: 'application/pdf', bytes });
};
