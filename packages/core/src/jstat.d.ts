/** What we use of jStat, which ships no types; the web app is built with these alone (tools/lib/laws.mjs). */
declare module 'jstat' {
  const jStat: {
    beta: { inv(p: number, alpha: number, beta: number): number };
    chisquare: { cdf(x: number, df: number): number };
    studentt: { inv(p: number, df: number): number };
    normal: { inv(p: number, mean: number, sd: number): number; cdf(x: number, mean: number, sd: number): number };
  };
  export default jStat;
}
