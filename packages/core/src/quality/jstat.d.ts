/** What is used of it; the package brings no types. */
declare module 'jstat' {
  interface Distribution {
    inv: (p: number, dof: number) => number;
  }
  const jStat: {
    studentt: Distribution;
    chisquare: Distribution;
    beta: { inv: (p: number, a: number, b: number) => number };
    erf: (x: number) => number;
    erfc: (x: number) => number;
  };
  export default jStat;
}
