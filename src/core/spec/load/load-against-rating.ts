/** A continuous load current against what a terminal or a bar is rated for, in amperes. */
export type LoadStanding =
  | { readonly kind: 'within'; readonly sharePercent: number }
  /** Above it: more such joints or another one, never more torque. */
  | { readonly kind: 'above'; readonly sharePercent: number; readonly jointsNeeded: number };

/** How a load stands against a continuous rating; the rating itself still counts as within. The rating is the maker's and is never guessed.
 *  Valid for: both above zero. Source: arithmetic; that more torque cures no overload is common practice. */
export const loadAgainstRating = (loadAmperes: number, ratingAmperes: number): LoadStanding => {
  const sharePercent = (loadAmperes / ratingAmperes) * 100;
  return loadAmperes <= ratingAmperes
    ? { kind: 'within', sharePercent }
    : { kind: 'above', sharePercent, jointsNeeded: Math.ceil(loadAmperes / ratingAmperes - 1e-9) };
};
