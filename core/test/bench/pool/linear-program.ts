import type { Box } from '../../../src/bench/pool'

/**
 * A box as a linear program in the CPLEX format, from the rules and not from the program: a variable for each drive
 * that shall work, and for each kind of part of a model at most as many takers as there are good ones. The value comes
 * first by far, then every part that is moved.
 */
export function asLinearProgram({ drives, mayTakeFromUsed }: Box): string {
  const gives = drives.map(d => !d.inUse || mayTakeFromUsed.includes(d.id))
  const moved = drives.map(d => Object.values(d.parts).filter(c => c !== 'good').length)
  const goal = drives
    .map((d, i) => `${1000 * d.value - moved[i]!} x${i}`)
    .join(' + ')
    .replaceAll('+ -', '- ')
  const limits = new Map<string, { takers: number[]; there: number }>()
  drives.forEach((d, i) => {
    for (const [part, condition] of Object.entries(d.parts)) {
      const key = `${d.mechanism} ${d.model} ${part}`
      const limit = limits.get(key) ?? { takers: [], there: 0 }
      if (gives[i] && condition === 'good') limit.there++
      if (gives[i] || condition !== 'good') limit.takers.push(i)
      limits.set(key, limit)
    }
  })
  const rows = [...limits.values()]
    .filter(l => l.takers.length)
    .map((l, k) => `c${k}: ${l.takers.map(i => `x${i}`).join(' + ')} <= ${l.there}`)
  const names = drives.map((_, i) => `x${i}`)
  return `Maximize\nobj: ${goal}\nSubject To\n${rows.join('\n')}\nBinary\n${names.join('\n')}\nEnd\n`
}
