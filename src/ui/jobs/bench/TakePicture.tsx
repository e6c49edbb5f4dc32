import { useState } from 'react';
import { type TakenPicture, takenPicture } from '#client/pictures/take-picture.ts';
import type { Person } from '#core/people/person.ts';
import { ATTACHMENT_TYPES } from '#core/spec/book/media-type.ts';
import type { ProblemDetails } from '#wire/problems/details-shape.ts';
import { problemDetails } from '#wire/problems/problem-details.ts';
import { ProblemNotice } from '../../kit/ProblemNotice.tsx';
import { FileButton } from '../../shared/FileButton.tsx';

type Props = {
  readonly job: string;
  readonly person: Person;
  readonly words: string;
  readonly onTaken: (picture: TakenPicture) => void;
};

/** Takes a photograph. It is kept on this device and sent when the site answers; what names it is hashed now. */
export const TakePicture = ({ job, person, words, onTaken }: Props) => {
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const [isBusy, setBusy] = useState(false);
  const take = async (file: File): Promise<void> => {
    setBusy(true);
    const taken = await takenPicture(file, job, person);
    setBusy(false);
    setProblem(taken.ok ? null : problemDetails(taken.refusal));
    if (taken.ok) onTaken(taken.value);
  };
  return (
    <>
      <ProblemNotice problem={problem} />
      <FileButton
        words={isBusy ? 'Keeping …' : words}
        accept={ATTACHMENT_TYPES.join(',')}
        onFile={(file) => void take(file)}
      />
    </>
  );
};
