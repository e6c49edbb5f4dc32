/** The part of jstat that core uses: the package brings no types. */
declare module 'jstat' {
  const jStat: {
    readonly studentt: { readonly inv: (p: number, degreesOfFreedom: number) => number };
  };
  export default jStat;
}
