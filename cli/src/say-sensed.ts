import { createHash } from 'node:crypto'
import type { Sensed } from '@wobrin/core/instruments/sensed'

/** Prints a speed that was heard or seen, as words or as JSON. */
export function saySensed(sensed: Sensed, bytes: Uint8Array, by: 'Sound' | 'Camera', json: boolean | undefined): void {
  if (sensed.of !== 'speed') return
  const { rpm, uncertainty, revolutions, others, says, next } = sensed.speed
  if (json) {
    const recording = createHash('sha256').update(bytes).digest('hex')
    const range = rpm === null ? null : { mean: rpm, low95: rpm - uncertainty!, high95: rpm + uncertainty! }
    const evidence = { source: 'recording', by, recording }
    console.log(JSON.stringify({ rpm: range, revolutions, others, says, next, evidence }, null, 2))
    return
  }
  console.log(rpm === null ? 'Not known yet' : `${rpm.toFixed(2)} ± ${uncertainty!.toFixed(2)} r/min`)
  console.log([...says, next].filter(Boolean).join(' '))
  for (const o of others) console.log(`  ${o.rpm.toFixed(2)} ± ${o.uncertainty.toFixed(2)} r/min, if ${o.if}`)
}
