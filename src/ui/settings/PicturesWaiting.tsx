import { useEffect, useState } from 'react';
import { type KeptPicture, keptPictures } from '#client/pictures/kept-pictures.ts';

const LOOKED_EVERY_MS = 5_000;

/** Photographs that wait on this device: to be sent, or refused, with why. */
export const PicturesWaiting = () => {
  const [pictures, setPictures] = useState<readonly KeptPicture[]>([]);
  useEffect(() => {
    const look = (): void => void keptPictures().then(setPictures);
    look();
    const timer = setInterval(look, LOOKED_EVERY_MS);
    return () => clearInterval(timer);
  }, []);
  if (pictures.length === 0) return null;
  return (
    <ul className="grid gap-1 text-s" data-testid="pictures-waiting">
      {pictures.map(({ id, job, name, refused }) => (
        <li key={id}>
          Photograph {name}: {refused === null ? 'waiting to be sent' : `refused by the site: ${refused}`}{' '}
          <a href={`/jobs/${job}/bench`}>its job</a>
        </li>
      ))}
    </ul>
  );
};
