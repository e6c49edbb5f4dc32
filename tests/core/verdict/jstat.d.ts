/** The part of jstat that the quantile of t is compared with: the package brings no types. */
declare module 'jstat' {
  const jStat: {
    readonly studentt: { readonly inv: (p: number, degreesOfFreedom: number) => number };
  };
  export default jStat;
}
