import { Bench } from 'tinybench'
import { DRIVES, HOSTS } from '@wobrin/core/drives/hosts'
import { judgeFit } from '@wobrin/core/bench/host-fit'
import { CALCULATORS } from '@wobrin/core/calculators/registry'
import { judgeCalculator, rowKey, type Field, type Calculator } from '@wobrin/core/calculators/calculator'

/** A value in the middle of what is plausible, or the first choice. */
const middling = (f: Field): string =>
  f.choices
    ? f.choices[0]!.value
    : f.words
      ? `No. ${f.key}`
      : String(Math.round((f.plausible ? Math.sqrt(Math.max(f.plausible[0], 1e-6) * f.plausible[1]) : 3) * 1000) / 1000)

/** Every field filled in, and every row of a list. */
function filled(sum: Calculator): Record<string, string> {
  const typed = Object.fromEntries(sum.fields.map(f => [f.key, f.quantity === 'count' ? '12' : middling(f)]))
  for (let i = 0; i < (sum.list?.most ?? 0); i++)
    for (const f of sum.list!.fields) typed[rowKey(sum.list!, i, f.key)] = f.words ? `${f.key} ${i}` : middling(f)
  return typed
}

const p50 = (bench: Bench) =>
  bench.tasks.map(t => ({ name: t.name, ms: (t.result as unknown as { latency: { p50: number } }).latency.p50 }))

/**
 * What one stroke of a key costs in each instrument, every field of it filled in; and a host fit of each pair that
 * ships.
 */
export async function strokes(): Promise<void> {
  const bench = new Bench({ time: 150 })
  bench.add('JSON.parse of a host’s profile', () => {
    JSON.parse(JSON.stringify(HOSTS[0]))
  })
  for (const sum of CALCULATORS) {
    const typed = filled(sum)
    try {
      judgeCalculator(sum, typed)
    } catch {
      // Middling values of two fields need not go together; the sum then ends early, and is no measure.
      continue
    }
    bench.add(sum.id, () => {
      judgeCalculator(sum, typed)
    })
  }
  for (const [i, host] of HOSTS.entries())
    for (const [j, drive] of DRIVES.entries())
      bench.add(`host fit ${i + 1}/${j + 1}`, () => {
        judgeFit(host, drive, 'straight')
      })
  await bench.run()
  const [baseline, ...rest] = p50(bench)
  const slowest = [...rest].sort((a, b) => b.ms - a.ms).slice(0, 4)
  console.log(`A stroke of a key, ${rest.length} instruments and pairs, the slowest:`)
  for (const r of slowest)
    console.log(`  ${r.name}: ${r.ms.toFixed(3)} ms (${(r.ms / baseline!.ms).toFixed(0)} x the ${baseline!.name})`)
}
