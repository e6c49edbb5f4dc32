import type { Person } from '#core/people/person.ts';
import { JOB_OPERATIONS } from '#wire/api-jobs.ts';
import { call } from '../api.ts';
import { forgetPicture, type KeptPicture, keepPicture, keptPictures } from './kept-pictures.ts';

const FIRST_RETRY_MS = 1_000;
const LONGEST_RETRY_MS = 60_000;

let wake: () => void = () => {};

/** Says that there is something to send. */
export const wakeSending = (): void => wake();

/** Sends one. Answers whether it is dealt with: it got there, or can't get there. */
const sent = async ({ refused: _, personId: _p, job, ...picture }: KeptPicture): Promise<boolean> => {
  const answer = await call(
    JOB_OPERATIONS.addAttachment,
    {
      id: picture.id,
      name: picture.name,
      contentBase64: picture.contentBase64,
      thumbnailBase64: picture.thumbnailBase64,
    },
    { kind: 'job', owner: job },
  );
  if (answer.ok) {
    await forgetPicture(picture.id);
    return true;
  }
  const { retry, problem, title } = answer.problem;
  if (retry || problem.code === 'not-signed-in' || problem.code === 'answer-misshaped') return false;
  // What is refused stays, with why: it may be the only one there is.
  await keepPicture({ ...picture, job, personId: _p, refused: title });
  return true;
};

/** Sends the photographs that a person took on this device, one after the other, with a growing pause while the site does not take them. Runs until the
 *  returned function is called. */
export const startSendingPictures = (person: Pick<Person, 'id'>): (() => void) => {
  let isOver = false;
  let isBusy = false;
  let pauseMs = FIRST_RETRY_MS;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const round = async (): Promise<void> => {
    clearTimeout(timer);
    if (isBusy || isOver) return;
    isBusy = true;
    let isStuck = false;
    for (const picture of await keptPictures()) {
      if (isOver || picture.personId !== person.id || picture.refused !== null) continue;
      isStuck = !(await sent(picture).catch(() => false));
      if (isStuck) break;
    }
    isBusy = false;
    if (!isStuck || isOver) {
      pauseMs = FIRST_RETRY_MS;
      return;
    }
    timer = setTimeout(() => void round(), pauseMs);
    pauseMs = Math.min(pauseMs * 2, LONGEST_RETRY_MS);
  };
  const begin = (): void => void round();
  wake = begin;
  window.addEventListener('online', begin);
  begin();
  return () => {
    isOver = true;
    clearTimeout(timer);
    window.removeEventListener('online', begin);
  };
};
