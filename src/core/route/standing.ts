/** How the tools stand at a moment: which is in hand, and at which station each was left. */
export type Standing = { readonly inHand: number | null; readonly leftAt: readonly (number | null)[] };

/** What tells one standing from another. */
export const standingKey = ({ inHand, leftAt }: Standing): string => `${inHand ?? ''}|${leftAt.join()}`;

/** Whether it takes no more than so many changes more from one standing than from another, whatever comes: who follows the other's way step by step pays once for each tool
 *  that stands elsewhere, and once for the one in hand. One that was left at no station may as well stand at any. */
export const isBehindByMost = (own: Standing, other: Standing, most: number): boolean => {
  let left = most - Number(other.inHand !== null && own.inHand !== other.inHand);
  for (let tool = 0; left >= 0 && tool < other.leftAt.length; tool += 1) {
    const [at, here] = [other.leftAt[tool], own.leftAt[tool]];
    if (at !== null && at !== here) left -= 1;
  }
  return left >= 0;
};
