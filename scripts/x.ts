import { benchAlign } from './bench/align'
const t = performance.now()
benchAlign(Number(process.argv[2] ?? 60), console.log)
console.log(((performance.now() - t) / 1000).toFixed(1), 's')
