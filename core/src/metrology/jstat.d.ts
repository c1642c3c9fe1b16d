/** The part of jstat that is used here. */
declare module 'jstat' {
  interface Distribution2 {
    cdf(x: number, a: number, b: number): number;
    inv(p: number, a: number, b: number): number;
  }
  interface Distribution1 {
    cdf(x: number, a: number): number;
    inv(p: number, a: number): number;
  }
  const jstat: {
    jStat: { normal: Distribution2; studentt: Distribution1; median: (values: number[]) => number };
  };
  export default jstat;
}
