import { Misaligned } from './bench/align'
import { judgeSweep, type SweepPosition } from '@wobrin/core/carriage'

let shown = 0
for (let seed = 1; seed <= 40 && shown < 6; seed++) {
  const d = new Misaligned(seed)
  const ctx = { travel: [-10, 10] as [number, number], adjuster: d.adjuster, mechanism: d.mechanism, stood: 0 }
  const tried: SweepPosition[] = []
  let r = judgeSweep(tried, ctx)
  while (r.tryNext !== null && tried.length < 30) { tried.push(d.try(r.tryNext)); r = judgeSweep(tried, ctx) }
  if (!r.common || !d.hit(r.common.centre)) {
    shown++
    console.log(seed, d.mechanism, d.adjuster, 'truth', d.truth.centre.toFixed(2), 'width', d.truth.width.toFixed(2), 'got', r.common?.centre.toFixed(2), '+-', r.common?.uncertainty.toFixed(2), r.common?.from.toFixed(2), r.common?.to.toFixed(2), r.call.kind, r.call.reasons[0])
    for (const t of tried) console.log('   ', t.position.toFixed(2), t.lower.good, t.lower.margin?.toFixed(2), t.lower.named, '|', t.upper?.good, t.upper?.margin?.toFixed(2), t.upper?.named)
  }
}
