declare module 'jstat' {
  const jStat: {
    studentt: { inv(p: number, degrees: number): number }
  }
  export default jStat
}
