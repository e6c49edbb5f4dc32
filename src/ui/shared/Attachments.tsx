import { useState } from 'react';
import { call } from '#client/api.ts';
import { fileBase64, thumbnailBase64 } from '#client/thumbnail.ts';
import { ATTACHMENT_TYPES } from '#core/spec/book/media-type.ts';
import { OPERATIONS } from '#wire/api.ts';
import type { Attachment } from '#wire/attachment.ts';
import { ATTACHMENT_MAX_BYTES } from '#wire/attachment.ts';
import type { ProblemDetails } from '#wire/problems/details-shape.ts';
import { problemDetails } from '#wire/problems/problem-details.ts';
import { ProblemNotice } from '../kit/ProblemNotice.tsx';
import { dayHere } from '../kit/time/here.ts';
import { FileButton } from './FileButton.tsx';

type Props = {
  readonly kind: 'source' | 'tool' | 'session';
  readonly owner: string;
  readonly first: readonly Attachment[];
};

/** Photographs and PDFs of a thing: small pictures that open the whole, and a way to add one. */
export const Attachments = ({ kind, owner, first }: Props) => {
  const [attachments, setAttachments] = useState(first);
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const [isBusy, setBusy] = useState(false);
  const add = async (file: File): Promise<void> => {
    if (file.size > ATTACHMENT_MAX_BYTES)
      return setProblem(problemDetails({ code: 'attachment-too-large', mostBytes: ATTACHMENT_MAX_BYTES }));
    setBusy(true);
    const answer = await call(
      OPERATIONS.addAttachment,
      {
        name: file.name.slice(-120),
        contentBase64: await fileBase64(file),
        thumbnailBase64: await thumbnailBase64(file),
      },
      { kind, owner },
    );
    setBusy(false);
    setProblem(answer.ok ? null : answer.problem);
    if (answer.ok) setAttachments([...attachments, answer.value]);
  };
  return (
    <div className="grid gap-3">
      <ul className="flex flex-wrap gap-3">
        {attachments.map(({ id, name, addedBy, addedAt }) => (
          <li key={id} className="w-36">
            <a
              href={`/api/v1/attachments/${id}`}
              target="_blank"
              rel="noreferrer"
              className="grid gap-1 text-s"
            >
              <img
                src={`/api/v1/attachments/${id}?small=1`}
                alt=""
                className="h-28 w-36 rounded border border-rule bg-ground object-contain"
              />
              <span className="truncate">{name}</span>
            </a>
            <span className="text-s text-faint">
              {addedBy}, {dayHere(addedAt)}
            </span>
          </li>
        ))}
      </ul>
      <ProblemNotice problem={problem} />
      <div>
        <FileButton
          words={isBusy ? 'Attaching …' : 'Attach a photograph or PDF'}
          accept={ATTACHMENT_TYPES.join(',')}
          onFile={(file) => void add(file)}
        />
      </div>
    </div>
  );
};
