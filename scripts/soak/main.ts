import { damagedInputs } from './damaged'
import { kills } from './kills'
import { randomRequests } from './requests'
import { veryLarge } from './very-large'

/** How much of each is done where nothing else is asked. */
const USUAL = { kills: 1000, damaged: 1_000_000, requests: 20_000, drives: 10_000, seed: 18 }
type Part = keyof typeof USUAL

const asked = Object.fromEntries(process.argv.slice(2).map(a => a.split('='))) as Partial<Record<Part, string>>
const strange = Object.keys(asked).find(k => !(k in USUAL) || !Number.isFinite(Number(asked[k as Part])))
if (strange !== undefined) {
  console.error(`“${strange}” is not known; there are ${Object.keys(USUAL).join('=, ')}=, each with a number.`)
  process.exit(2)
}
const many = (part: Part) => Number(asked[part] ?? USUAL[part])

const faults: string[] = []
for (const [part, run] of [
  ['kills', kills],
  ['damaged', damagedInputs],
  ['requests', randomRequests],
  ['drives', veryLarge],
] as const) {
  if (many(part) === 0) continue
  const begun = performance.now()
  const { says, faults: found } = await run(many(part), many('seed'))
  console.log(`${says} ${((performance.now() - begun) / 1000).toFixed(0)} s.`)
  for (const fault of found.slice(0, 20)) console.log(`  ${fault}`)
  for (const fault of found) faults.push(fault)
}
console.log(faults.length ? `${faults.length} faults.` : 'Nothing was lost, and nothing broke.')
process.exit(faults.length ? 1 : 0)
