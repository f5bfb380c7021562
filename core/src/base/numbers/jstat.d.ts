declare module 'jstat' {
  const jStat: {
    gammaln(x: number): number
    betaln(x: number, y: number): number
    ibeta(x: number, a: number, b: number): number
    beta: { inv(p: number, a: number, b: number): number; mean(a: number, b: number): number }
    studentt: { inv(p: number, degrees: number): number }
    normal: { inv(p: number, mean: number, sd: number): number }
  }
  export default jStat
}
