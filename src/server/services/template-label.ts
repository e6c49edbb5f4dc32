import { accepted, type Result } from '#core/result.ts';
import type { Problem } from '#wire/problems/problem.ts';
import { labelSvg } from './label-svg.ts';
import { templateNow } from './templates.ts';

/** The label of a template: its code opens a job from the template as it is then. Refuses: not-found. */
export const templateLabelSvg = async (
  id: string,
  origin: string,
): Promise<Result<{ readonly name: string; readonly type: string; readonly bytes: Uint8Array }, Problem>> => {
  const kept = await templateNow(id);
  if (!kept.ok) return kept;
  const { title, fasteners, kinds } = kept.value;
  const svg = await labelSvg(`${origin}/jobs/new/templates/${id}`, {
    heading: title,
    line: fasteners === 1 ? '1 fastener' : `${fasteners} fasteners`,
    small: kinds.join(', '),
  });
  return accepted({ name: 'template-label.svg', type: 'image/svg+xml', bytes: Buffer.from(svg) });
};
