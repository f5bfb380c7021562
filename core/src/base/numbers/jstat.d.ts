declare module 'jstat' {
  const jStat: {
    gammaln(x: number): number
    betaln(x: number, y: number): number
    ibeta(x: number, a: number, b: number): number
    beta: { inv(p: number, a: number, b: number): number }
    studentt: { inv(p: number, degrees: number): number }
  }
  export default jStat
}
