declare module 'jstat' {
  const jStat: {
    ibeta(x: number, a: number, b: number): number
    studentt: { inv(p: number, degrees: number): number }
  }
  export default jStat
}
