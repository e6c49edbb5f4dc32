import QRCode from 'qrcode';
import { accepted, type Result, refused } from '#core/result.ts';
import type { Tool } from '#core/tool/tool.ts';
import type { Problem } from '#wire/problems/problem.ts';
import { dayWords } from '#wire/site-time.ts';
import { rangeWords } from '#wire/words/setting.ts';
import { LABEL_MM, labelSvg } from './label-svg.ts';
import { pdfOf } from './pdf-page.ts';
import { cribTools } from './tool-crib.ts';

type ExportedBytes = { readonly name: string; readonly type: string; readonly bytes: Uint8Array };

/** What a label's code says: the address that opens the tool. */
const addressOf = ({ id }: Pick<Tool, 'id'>, origin: string): string => `${origin}/tools/${id}`;

/** The label of a tool, 62 by 24 mm, with a QR code that opens it. Refuses: not-found. */
export const toolLabelSvg = async (id: string, origin: string): Promise<Result<ExportedBytes, Problem>> => {
  const known = (await cribTools()).find(({ tool }) => tool.id === id);
  if (!known) return refused({ code: 'not-found', what: 'tool' });
  const { id: toolId, code, scale, serial, calibrationDueOn } = known.tool as Tool;
  const svg = await labelSvg(addressOf({ id: toolId }, origin), {
    heading: code,
    line: rangeWords(scale),
    small: `serial ${serial} · due ${dayWords(calibrationDueOn)}`,
  });
  return accepted({ name: `label-${code}.svg`, type: 'image/svg+xml', bytes: Buffer.from(svg) });
};

const POINTS_PER_MM = 72 / 25.4;
const COLUMNS = 3;
const ROWS = 10;

/** A sheet of labels for every tool that is not retired. */
export const toolLabelsPdf = async (origin: string): Promise<ExportedBytes> => {
  const tools = (await cribTools()).filter(({ facts }) => !facts.isRetired).map(({ tool }) => tool as Tool);
  const codes = await Promise.all(
    tools.map((tool) => QRCode.toBuffer(addressOf(tool, origin), { margin: 0, width: 240 })),
  );
  const bytes = await pdfOf((pdf) => {
    for (const [index, tool] of tools.entries()) {
      const onPage = index % (COLUMNS * ROWS);
      if (index > 0 && onPage === 0) pdf.addPage();
      const x = (8 + (onPage % COLUMNS) * (LABEL_MM.width + 2)) * POINTS_PER_MM;
      const y = (10 + Math.floor(onPage / COLUMNS) * (LABEL_MM.height + 3)) * POINTS_PER_MM;
      const size = LABEL_MM.code * POINTS_PER_MM;
      pdf.image(codes[index] as Buffer, x, y, { width: size, height: size });
      const text = { width: (LABEL_MM.width - LABEL_MM.code - 4) * POINTS_PER_MM, lineBreak: false };
      pdf.fontSize(14).text(tool.code, x + size + 6, y + 4, text);
      pdf.fontSize(9).text(rangeWords(tool.scale), x + size + 6, y + 24, text);
      pdf
        .fontSize(7)
        .text(`serial ${tool.serial} · due ${dayWords(tool.calibrationDueOn)}`, x + size + 6, y + 36, text);
    }
  });
  return { name: 'jentik-labels.pdf', type: 'application/pdf', bytes };
};
