/** A straight line through points by least squares: y = at0 + slope · x, and what is left of squares; null where the points are fewer than two or stand on
 *  one x.
 *  Source: ordinary least squares (any textbook of statistics). */
export const lineThrough = (
  xs: readonly number[],
  ys: readonly number[],
  from = 0,
  to = xs.length,
): { readonly at0: number; readonly slope: number; readonly squares: number } | null => {
  const n = to - from;
  if (n < 2) return null;
  let [meanX, meanY] = [0, 0];
  for (let at = from; at < to; at += 1) {
    meanX += xs[at] as number;
    meanY += ys[at] as number;
  }
  meanX /= n;
  meanY /= n;
  let [sxx, sxy, syy] = [0, 0, 0];
  for (let at = from; at < to; at += 1) {
    const [x, y] = [(xs[at] as number) - meanX, (ys[at] as number) - meanY];
    sxx += x * x;
    sxy += x * y;
    syy += y * y;
  }
  if (sxx === 0) return null;
  const slope = sxy / sxx;
  return { at0: meanY - slope * meanX, slope, squares: Math.max(0, syy - slope * sxy) };
};
