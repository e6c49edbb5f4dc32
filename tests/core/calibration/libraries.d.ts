/** The parts of the reference libraries that the tests use: neither brings types that can be resolved. */
declare module 'cephes' {
  const cephes: {
    /** Student's t distribution function of k degrees of freedom. */
    readonly stdtr: (k: number, t: number) => number;
    readonly ndtr: (z: number) => number;
  };
  export default cephes;
}

declare module 'jstat' {
  export const jStat: {
    readonly mean: (values: readonly number[]) => number;
    readonly stdev: (values: readonly number[], isSample: boolean) => number;
    readonly max: (values: readonly number[]) => number;
    readonly min: (values: readonly number[]) => number;
    readonly norm: (values: readonly number[]) => number;
    readonly sumsqerr: (values: readonly number[]) => number;
    readonly models: {
      readonly ols: (
        endog: readonly number[],
        exog: readonly (readonly number[])[],
      ) => { readonly coef: readonly number[]; readonly resid: readonly number[] };
    };
  };
}
