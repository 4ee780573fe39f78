/** What we use of jStat, which ships no types. */
declare module 'jstat' {
  const jStat: { normal: { inv(p: number, mean: number, sd: number): number; cdf(x: number, mean: number, sd: number): number } };
  export default jStat;
}
