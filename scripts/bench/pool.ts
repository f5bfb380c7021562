import loadHighs from 'highs'
import { poolParts, type Box, type BoxDrive } from '@wobrin/core/bench/pool'
import { Random } from '@wobrin/core/simulator'
import { asLinearProgram } from '../../core/test/bench/pool/linear-program'

const BOXES = 20
const PARTS = Array.from({ length: 40 }, (_, k) => `part ${k}`)

function boxOf(random: Random, drives: number, parts: number): Box {
  return {
    drives: Array.from({ length: drives }, (_, i): BoxDrive => ({
      id: `d${i}`,
      mechanism: '3.5in',
      model: 'model',
      value: Math.floor(1 + random.next() * 50),
      inUse: random.next() < 0.1,
      parts: Object.fromEntries(
        PARTS.slice(0, parts)
          .filter(() => random.next() < 0.9)
          .map(p => [p, random.next() < 0.8 ? 'good' : 'bad']),
      ),
    })),
    mayTakeFromUsed: [],
    moves: {},
  }
}

/** Every set of drives, by the same rows as the linear program: the plainest way. */
function everySet({ drives }: Box): number {
  const kinds = [...new Set(drives.flatMap(d => Object.keys(d.parts)))]
  const there = kinds.map(p => drives.filter(d => !d.inUse && d.parts[p] === 'good').length)
  const takes = drives.map(d => kinds.map(p => p in d.parts && (!d.inUse || d.parts[p] !== 'good')))
  let best = 0
  for (let set = 0; set < 1 << drives.length; set++) {
    let value = 0
    for (let i = 0; i < drives.length; i++) if (set & (1 << i)) value += drives[i]!.value
    if (value <= best) continue
    if (kinds.every((_, k) => takes.reduce((n, t, i) => n + (set & (1 << i) && t[k] ? 1 : 0), 0) <= there[k]!))
      best = value
  }
  return best
}

const percentile = (xs: readonly number[], share: number): string =>
  [...xs].sort((a, b) => a - b)[Math.min(xs.length - 1, Math.floor(xs.length * share))]!.toFixed(2)

function timed(times: number[], run: () => number): number {
  const begun = performance.now()
  const value = run()
  times.push(performance.now() - begun)
  return value
}

/** Which drives can be made to work: beside every set of a small box, and beside a solver for linear programs. */
export async function pooling(): Promise<void> {
  const highs = await loadHighs()
  const random = new Random(1)
  for (const [drives, parts] of [
    [8, 12],
    [30, 40],
  ] as const) {
    const [ours, solver, sets]: [number[], number[], number[]] = [[], [], []]
    let same = 0
    let proved = 0
    for (let n = 0; n < BOXES; n++) {
      const box = boxOf(random, drives, parts)
      const program = asLinearProgram(box)
      const pool = poolParts(box)
      if (pool.proved) proved++
      const value = timed(ours, () => poolParts(box).value)
      const other =
        drives > 12
          ? timed(solver, () => Math.round(highs.solve(program, { mip_rel_gap: 0 }).ObjectiveValue / 1000))
          : timed(sets, () => everySet(box))
      if (value === other) same++
    }
    const [name, beside] = drives > 12 ? ['HiGHS', solver] : ['every set of drives', sets]
    console.log(
      `Pooling ${drives} drives with ${parts} parts: median ${percentile(ours, 0.5)} ms, 95 % within ${percentile(ours, 0.95)} ms; ` +
        `baseline ${name}: ${percentile(beside, 0.5)} ms; the same value in ${same} of ${BOXES}, proved in ${proved}`,
    )
  }
}
