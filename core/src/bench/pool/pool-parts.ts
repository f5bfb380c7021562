import { lacking, mayGive, sameModel, type Box, type BoxDrive, type Pool, type PooledDrive } from './box'
import { choose, type Candidate } from './choose'
import { sayPool } from './say-pool'

/**
 * Which of these make a drive that works: the most value, then the fewest parts moved, then the fewest minutes; or,
 * where the risks are known, the least work and risk. Parts fit among drives of the same model; one that nobody tested
 * is not counted on.
 * @param box checked already, as `readBox` does
 */
export function poolParts(box: Box): Pool {
  const groups = sameModel(box.drives).map(drives => poolGroup(box, drives))
  const works = groups.flatMap(g => g.works)
  const working = new Set(works.map(w => w.drive))
  const donors = new Set(works.flatMap(w => Object.values(w.from)))
  const pool = {
    works,
    value: box.drives.reduce((sum, d) => sum + (working.has(d.id) ? d.value : 0), 0),
    minutes: works.reduce((sum, w) => sum + minutesOf(Object.keys(w.from), box), 0),
    donors: box.drives.map(d => d.id).filter(id => donors.has(id)),
    left: box.drives.map(d => d.id).filter(id => !working.has(id) && !donors.has(id)),
    proved: groups.every(g => g.proved),
  }
  return { ...pool, says: sayPool(box, pool) }
}

/** What making a drive work costs: moves and minutes, or work with its risk and moves. */
const effort = (parts: readonly string[], box: Box): readonly [number, number] => {
  const { risks } = box
  if (!risks) return [-parts.length, -minutesOf(parts, box)]
  return [-minutesOf(parts, box) - parts.reduce((sum, p) => sum + (risks[p] ?? 0), 0), -parts.length]
}

const minutesOf = (parts: readonly string[], { moves }: Box): number =>
  parts.reduce((sum, p) => sum + (moves[p] ?? 0), 0)

function poolGroup(box: Box, drives: readonly BoxDrive[]): { works: PooledDrive[]; proved: boolean } {
  const there = new Map<string, number>()
  for (const d of drives)
    for (const [part, condition] of Object.entries(d.parts))
      if (condition === 'good' && mayGive(d, box)) there.set(part, (there.get(part) ?? 0) + 1)
  const candidates = drives.map((d): Candidate => {
    const missing = lacking(d)
    return {
      gain: [d.value, ...effort(missing, box), 1],
      // What may not be taken from a drive is its own, and there for it alone.
      takes: mayGive(d, box) ? Object.keys(d.parts) : missing,
    }
  })
  const { chosen, proved } = choose(candidates, there)
  return { works: distribute(box, drives, chosen), proved }
}

/** Who gives what to whom: from as few drives as the order allows, so that others stay as they are. */
function distribute(box: Box, drives: readonly BoxDrive[], chosen: readonly number[]): PooledDrive[] {
  const working = new Set(chosen)
  const donors = drives.filter((d, i) => !working.has(i) && mayGive(d, box))
  const wanted = chosen.map(i => ({ drive: drives[i]!, parts: lacking(drives[i]!) }))
  const open = new Set(wanted.flatMap(w => w.parts))
  const given = new Set<string>()
  const has = (d: BoxDrive, part: string) => d.parts[part] === 'good' && !given.has(`${d.id}\n${part}`)
  // Whoever gives already gives on; a drive in use comes last; then who can give most, and is worth least.
  const gives = new Set<string>()
  const useful = (d: BoxDrive) => [...open].filter(part => has(d, part)).length
  const better = (a: BoxDrive, b: BoxDrive) =>
    Number(gives.has(b.id)) - Number(gives.has(a.id)) ||
    Number(a.inUse) - Number(b.inUse) ||
    useful(b) - useful(a) ||
    a.value - b.value
  return wanted.map(({ drive, parts }) => ({
    drive: drive.id,
    from: Object.fromEntries(
      parts.map(part => {
        const [donor] = donors.filter(d => has(d, part)).sort(better)
        given.add(`${donor!.id}\n${part}`)
        gives.add(donor!.id)
        return [part, donor!.id]
      }),
    ),
  }))
}
