import { fromNewtonMetres, newtonMetres, type TorqueUnit, unitSymbol } from '#core/quantity/unit.ts';
import { accepted, type Result } from '#core/result.ts';
import { csvOf } from '#core/spec/list/csv-text.ts';
import type { Problem } from '#wire/problems/problem.ts';
import type { RecalledByValue } from '#wire/recall.ts';
import { alikeRecalled, changeWords } from '#wire/words/recall.ts';
import { STATUS_WORDS } from '#wire/words/verdict.ts';
import type { ValueId } from '../queries/changed-values.ts';
import { pdfOf } from './pdf-page.ts';
import { valueRecallAnswer } from './recall-value.ts';

type ExportedBytes = { readonly name: string; readonly type: string; readonly bytes: Uint8Array };

const rowsOf = (job: RecalledByValue, unit: TorqueUnit) => {
  const shown = (torque: number | null): string =>
    torque === null ? '' : fromNewtonMetres(newtonMetres(torque), unit).toPrecision(4);
  return job.recalled.map((fastener) => ({
    job: job.number,
    title: job.title,
    position: fastener.position,
    pulled_at: fastener.pulledAt ?? '',
    was: STATUS_WORDS[fastener.was],
    by_the_value_in_force: STATUS_WORDS[fastener.would],
    unit: unitSymbol(unit),
    recorded: shown(fastener.recordedNewtonMetres),
    low: shown(fastener.lowNewtonMetres),
    high: shown(fastener.highNewtonMetres),
    percent_outside: fastener.outsidePercent?.toFixed(2) ?? '',
    decision: job.decision?.what ?? '',
    decided_because: job.decision?.why ?? '',
    decided_by: job.decision?.by ?? '',
  }));
};

/** The fasteners that a recall by value found, as CSV (RFC 4180), torques in the unit the value is printed in. Refuses: not-found. */
export const valueRecallCsv = async (id: ValueId): Promise<Result<ExportedBytes, Problem>> => {
  const answer = await valueRecallAnswer(id);
  if (!answer.ok) return answer;
  const { unit } = answer.value.facts;
  const rows = answer.value.recalled.flatMap((job) => rowsOf(job, unit));
  const text = csvOf(rows);
  return accepted({
    name: 'jentik-value-recall.csv',
    type: 'text/csv; charset=utf-8',
    bytes: Buffer.from(text),
  });
};

/** The jobs and fasteners that a recall by value found, as PDF. Refuses: not-found. */
export const valueRecallPdf = async (id: ValueId): Promise<Result<ExportedBytes, Problem>> => {
  const answer = await valueRecallAnswer(id);
  if (!answer.ok) return answer;
  const { facts, jobs, pulled, recalled, unread } = answer.value;
  const bytes = await pdfOf((pdf) => {
    pdf.fontSize(18).text(`What was pulled to ${facts.code}`).moveDown(0.4).fontSize(10);
    pdf.text(`${facts.subject}. ${changeWords(facts)}`);
    pdf.text(`${pulled} fasteners in ${jobs} jobs were judged again by the value in force.`).moveDown();
    for (const job of recalled) {
      pdf.fontSize(11).text(`${job.number}  ${job.title}`).fontSize(10);
      for (const [words, positions] of alikeRecalled(job.recalled, facts.unit))
        pdf.text(`${positions.join(', ')}: ${words}`);
      const { decision } = job;
      pdf.text(decision ? `${decision.what}, ${decision.by}: ${decision.why}` : 'Not decided.').moveDown(0.6);
    }
    if (recalled.length === 0) pdf.text('Every fastener conforms by the value in force.');
    if (unread.length > 0) pdf.text(`Nothing is said of ${unread.join(', ')}: their ledgers can't be read.`);
  });
  return accepted({ name: 'jentik-value-recall.pdf', type: 'application/pdf', bytes });
};
