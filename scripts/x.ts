import { adviseOn, benchAdvice } from './bench/align'

benchAdvice(Number(process.argv[2] ?? 100), console.log)
let shown = 0
for (let i = 1; i <= 60 && shown < 14; i++) { const a = adviseOn(i); const k = a.verdict.call.kind; if ((k === 'nudge') !== a.off) { shown++; console.log(i, a.story, k, a.verdict.call.reasons.join(' | '), a.verdict.explanations.slice(0, 4).map(e => `${e.cause}${e.head ?? ''} ${e.probability.toFixed(2)} ${e.size?.value ?? ''}`).join('; ')) } }
