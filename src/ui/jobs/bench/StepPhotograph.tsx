import { useState } from 'react';
import { call } from '#client/api.ts';
import { fileBase64, thumbnailBase64 } from '#client/thumbnail.ts';
import { ATTACHMENT_TYPES } from '#core/spec/book/media-type.ts';
import { JOB_OPERATIONS } from '#wire/api-jobs.ts';
import type { ProblemDetails } from '#wire/problems/details-shape.ts';
import { ProblemNotice } from '../../kit/ProblemNotice.tsx';
import { FileButton } from '../../shared/FileButton.tsx';
import type { Bench } from './use-bench.ts';

/** Takes the photograph that a step asks for, sends it to the site, and records its hash with the step. */
export const StepPhotograph = ({ bench, job }: { readonly bench: Bench; readonly job: string }) => {
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const [isBusy, setBusy] = useState(false);
  const take = async (file: File): Promise<void> => {
    setBusy(true);
    const picture = {
      name: file.name.slice(-120),
      contentBase64: await fileBase64(file),
      thumbnailBase64: await thumbnailBase64(file),
    };
    const answer = await call(JOB_OPERATIONS.addAttachment, picture, { kind: 'job', owner: job });
    setBusy(false);
    setProblem(answer.ok ? null : answer.problem);
    if (!answer.ok) return;
    const { id: attachmentId, sha256 } = answer.value;
    bench.doStep({ kind: 'photographed', attachmentId, sha256 });
  };
  return (
    <>
      <ProblemNotice problem={problem} />
      <FileButton
        words={isBusy ? 'Sending …' : 'Take the photograph'}
        accept={ATTACHMENT_TYPES.join(',')}
        onFile={(file) => void take(file)}
      />
    </>
  );
};
