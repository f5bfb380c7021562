import { FAULTS, CHECKS, diagnose, readCase } from '@wobrin/core/diagnosis'
import { MECHANISM_IDS } from '@wobrin/core/drives'
import { Random } from '@wobrin/core/simulator'
import { drawDrive, measure, RIG_FAULTS, soundRig } from '@wobrin/core/simulator/rig'
import { byPrior, byStations } from '../../core/test/diagnosis/helpers/baselines'
import { play, type Played } from '../../core/test/diagnosis/helpers/play'

/** Seeds for scoring; nothing is ever tuned on them. Those below are for tuning. */
const SCORING = 900_000
const SINGLES = 350
const DOUBLES = 150

const median = (xs: readonly number[]) => [...xs].sort((a, b) => a - b)[xs.length >> 1] ?? 0
const share = (n: number, of: number) => `${((100 * n) / of).toFixed(0)} %`

/** Whether the cause that was named first is the hidden one, or both are in the first pair or first two causes. */
function namedFirst({ hidden, first }: Played): boolean {
  const truth = new Set(hidden.faults)
  if (truth.size === 1) return truth.has(first.causes[0]?.fault ?? '')
  return (
    first.pairs[0]?.faults.every(f => truth.has(f)) === true ||
    (first.causes.length > 1 && first.causes.slice(0, 2).every(c => truth.has(c.fault)))
  )
}

/** Whether the case as it ended tells what was hidden: the first cause, or both in the first pair. */
function toldAtEnd({ hidden, last }: Played): boolean {
  const truth = new Set(hidden.faults)
  const first = truth.size === 1 ? last.causes.slice(0, 1).map(c => c.fault) : (last.pairs[0]?.faults ?? [])
  return first.length === truth.size && first.every(f => truth.has(f))
}

const cureOf = (id: string) => FAULTS.find(f => f.id === id)?.cure.says

/** The same, where a fault with the same cure counts as well. */
function curedFirst(p: Played): boolean {
  const cures = new Set(p.hidden.faults.map(cureOf))
  return namedFirst(p) || (p.hidden.faults.length === 1 && cures.has(cureOf(p.first.causes[0]?.fault ?? '')))
}

/** A treatment that cures a fault so often is its own. */
const OWN = 0.5

/** Whether a hidden fault stood first in its turn, or was cured along the way by what was tried for it. */
function found(p: Played, id: string): boolean {
  if (p.named.includes(id)) return true
  const { treatments = {}, part } = FAULTS.find(f => f.id === id)!
  return p.trail.some(x => {
    const [check, answer] = x.split('=')
    const helped = answer === 'cures' || answer === 'better'
    const own = (treatments[check!.replace(/^after\./, '')] ?? 0) >= OWN || check === `swap.${part}`
    return helped && own
  })
}

/** Drives whose answers come from their physics, with hidden faults: what advice finds, and at what cost. */
export function diagnosing(): void {
  coverage()
  const tenths = Array.from({ length: 10 }, () => ({ named: 0, right: 0 }))
  let [sure, sureRight] = [0, 0]
  for (const [count, drives] of [
    [1, SINGLES],
    [2, DOUBLES],
  ] as const) {
    const played: Played[] = []
    const [stations, prior] = [[], []] as { checks: number; minutes: number; mended: boolean }[][]
    for (let i = 0; i < drives; i++) {
      const seed = SCORING + count * 10_000 + i
      played.push(play(drawDrive(seed, count)))
      stations!.push(byStations(drawDrive(seed, count)))
      prior!.push(byPrior(drawDrive(seed, count)))
    }
    for (const { hidden, first } of played)
      for (const [i, c] of first.causes.entries()) {
        const tenth = tenths[Math.min(9, Math.floor(c.probability * 10))]!
        const right = hidden.faults.includes(c.fault)
        tenth.named++
        if (right) tenth.right++
        if (i === 0 && c.probability > 0.9) {
          sure++
          if (right) sureRight++
        }
      }
    const told = (name: string, of: readonly { checks: number; minutes: number; mended: boolean }[]) =>
      console.log(
        `  ${name}: works at the end ${share(of.filter(p => p.mended).length, drives)}, median ${median(of.map(p => p.checks))} checks, ${median(of.map(p => p.minutes)).toFixed(0)} min`,
      )
    console.log(`${drives} drives with ${count === 1 ? 'one hidden fault' : 'two hidden faults'}:`)
    const first = share(played.filter(namedFirst).length, drives)
    console.log(`  when a cure is begun first: ${count === 1 ? 'true cause first' : 'both in the first pair'} ${first}`)
    const end = share(played.filter(toldAtEnd).length, drives)
    console.log(`  when the case is over: ${count === 1 ? 'true cause first' : 'both in the first pair'} ${end}`)
    const inTurn = played.filter(p => p.hidden.faults.every(f => p.named.includes(f)))
    if (count === 1)
      console.log(`  the same, or a fault with the same cure ${share(played.filter(curedFirst).length, drives)}`)
    console.log(`  each first in the list when its turn came ${share(inTurn.length, drives)}`)
    const all = played.filter(p => p.hidden.faults.every(f => found(p, f)))
    console.log(`  the same, or cured along the way by what was tried for it ${share(all.length, drives)}`)
    told('advice', played)
    told('fixed order of the stations', stations!)
    told('prior probability per minute', prior!)
  }
  console.log(`Sure (over 90 %) ${sure} times, right ${share(sureRight, sure)}.`)
  console.log(
    `Calibration by tenths: ${tenths.map((t, i) => `${i * 10}–${i * 10 + 10} %: ${t.right} of ${t.named}`).join('; ')}.`,
  )
  timing()
}

/** What the physics of the simulated drive covers of the model. */
function coverage(): void {
  const ids = new Set(FAULTS.map(f => f.id))
  const faults = new Set(RIG_FAULTS.map(f => f.id).filter(id => ids.has(id)))
  const random = new Random(1)
  const answered = CHECKS.filter(c =>
    MECHANISM_IDS.some(m => {
      const answer = measure(soundRig(m), c.id, random)
      return answer !== null && c.answers.includes(answer)
    }),
  )
  console.log(
    `The physics covers ${faults.size} of ${FAULTS.length} faults (${share(faults.size, FAULTS.length)}) and ${answered.length} of ${CHECKS.length} checks (${share(answered.length, CHECKS.length)}), apart from what is tried out.`,
  )
}

/** Time of one answer, beside plain enumeration of as many pairs. */
function timing(): void {
  const trails = Array.from({ length: 12 }, (_, i) => play(drawDrive(800_000 + i, 1)))
  const cases = trails.map(t =>
    readCase({
      mechanism: t.hidden.mechanism,
      complaints: t.hidden.complaints,
      checks: t.trail
        .filter(x => /^(?!mend |after\.).*=/.test(x))
        .map(x => ({ check: x.split('=')[0], answer: x.split('=')[1] })),
    }),
  )
  for (const c of cases) diagnose(c)
  const times = cases.flatMap(c =>
    Array.from({ length: 8 }, () => {
      const begun = performance.now()
      diagnose(c)
      return performance.now() - begun
    }),
  )
  times.sort((a, b) => a - b)
  const begun = performance.now()
  const n = FAULTS.length
  let sum = 0
  for (let k = 0; k < 10; k++)
    for (let a = 0; a < n; a++)
      for (let b = a + 1; b < n; b++) for (let e = 0; e < 40; e++) sum += Math.log(0.1 + ((a * 7 + b * 3 + e) % 10))
  const plain = (performance.now() - begun) / 10
  console.log(
    `One answer: median ${times[times.length >> 1]!.toFixed(1)} ms, 95th percentile ${times[Math.floor(times.length * 0.95)]!.toFixed(1)} ms; plain enumeration of all pairs of ${n} faults on 40 readings ${plain.toFixed(1)} ms `,
  )
  if (sum === 0) console.log('nothing was weighed')
}
