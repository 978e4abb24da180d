/** The part of jStat that is used; the package carries no types. */
declare module 'jstat' {
  interface Normal {
    pdf(x: number, mean: number, sd: number): number;
    cdf(x: number, mean: number, sd: number): number;
    inv(p: number, mean: number, sd: number): number;
  }
  const jstat: { readonly jStat: { readonly normal: Normal } };
  export default jstat;
}
