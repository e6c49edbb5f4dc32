import { namesAndSizes } from '../search/search-terms.ts';

/** What two requirements share when they are for the same thing: the words of the part, and its size however it is spelled. */
export const specKey = (part: string, size: string): string => {
  const { names, sizes } = namesAndSizes(`${part} ${size}`);
  return [...names, ...sizes].join(' ');
};
