import { DRIVE_STORIES, recordReading, exampleSpec, readSpec } from './src/simulation/index.ts'
import { reportBus } from './src/bus/index.ts'

console.log(JSON.stringify(exampleSpec()).length, readSpec(exampleSpec()).heads.length)
const mech = (process.argv[2] ?? '5.25in-48') as never
for (const s of DRIVE_STORIES) {
  const t0 = performance.now()
  const r = recordReading(s.of(mech, 3), { changeDisk: true, flipTab: true, turns: 1 })
  const t1 = performance.now()
  const rep = reportBus({ fileName: 'x', format: 'vcd', durationS: r.durationS, channels: r.channels.map(c => ({ name: c.name, edges: c.edges, edgeCount: c.edges.times.length })), notices: [] }, { context: { trustedDisk: true } })
  console.log(`${s.id}: ${rep.call.kind}: ${rep.call.reasons.join(' | ')} >> ${rep.call.next}  [${rep.totals.good}/${rep.totals.bad}/${rep.totals.missing}/${rep.totals.foreign}] ${((t1 - t0) / 1000).toFixed(1)}s ${((performance.now() - t1) / 1000).toFixed(1)}s`)
  if (s.id === 'sound') { for (const o of rep.observations) console.log('   ', o.label, o.value, o.unit, o.uncertainty ?? '', '-', o.how); console.log(rep.timings, rep.doubts) }
}
