import { accepted, type Result, refused } from '#core/result.ts';
import type { Problem } from '#wire/problems/problem.ts';

const PDF = 'application/pdf';
const MOST_PAGES = 2_000;
// What stands in a PDF that does something by itself (ISO 32000-1, 12.6.4 and 7.11.4), where it is not packed; what is packed the reader unpacks below.
const ACTIVE = /\/(?:JavaScript|JS|Launch|EmbeddedFiles?|RichMedia|XFA|SubmitForm|ImportData)\b/;

/** Reads a PDF to its end and says whether it only shows. Refuses: attachment-broken, attachment-active (a script, a program to start, a form that sends itself, files
 *  within). */
export const passivePdf = async (bytes: Uint8Array): Promise<Result<null, Problem>> => {
  const active = refused({ code: 'attachment-active' } as const);
  if (ACTIVE.test(Buffer.from(bytes).toString('latin1'))) return active;
  const { getDocument, VerbosityLevel } = await import('pdfjs-dist/legacy/build/pdf.mjs');
  const task = getDocument({
    data: Uint8Array.from(bytes),
    isEvalSupported: false,
    stopAtErrors: true,
    useSystemFonts: false,
    verbosity: VerbosityLevel.ERRORS,
  });
  try {
    const document = await task.promise;
    const { numPages } = document;
    if (numPages > MOST_PAGES) return refused({ code: 'attachment-broken', mediaType: PDF });
    const opening = (await document.getOpenAction()) as Readonly<Record<string, unknown>> | null;
    const isActive =
      (await document.hasJSActions()) ||
      (await document.getAttachments()) !== null ||
      (opening !== null && ('action' in opening || 'unsafeUrl' in opening));
    if (isActive) return active;
    for (let number = 1; number <= numPages; number += 1) {
      const page = await document.getPage(number);
      if ((await page.getJSActions()) !== null) return active;
      await page.getOperatorList();
      page.cleanup();
    }
    return accepted(null);
  } catch {
    return refused({ code: 'attachment-broken', mediaType: PDF });
  } finally {
    await task.destroy();
  }
};
