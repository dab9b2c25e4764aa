/** The little of the statistics package that tests use; it ships no types. */
declare module 'jstat' {
  export const jStat: {
    readonly studentt: { readonly inv: (probability: number, degrees: number) => number }
  }
}
