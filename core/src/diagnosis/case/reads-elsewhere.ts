import type { CaseReading } from './read-case'

/** One disk read in one drive, all places together. */
export interface DiskInDrive {
  readonly disk: string
  readonly drive: string
  readonly good: number
  readonly sectors: number
}

/** A disk reads where so much of it came: as in the disk or drive finder. */
const READS = 0.9

const reads = (r: Pick<DiskInDrive, 'good' | 'sectors'>): boolean => r.good / r.sectors >= READS

const said = (key: string, value: string | number): CaseReading => ({
  key,
  value,
  unit: '',
  source: 'host',
  uncertainty: null,
  at: null,
})

/** Reads of one disk in one drive, taken together. */
function pooled(all: readonly DiskInDrive[]): DiskInDrive[] {
  const out = new Map<string, DiskInDrive>()
  for (const r of all) {
    if (r.sectors <= 0) continue
    const key = `${r.disk} ${r.drive}`
    const { good, sectors } = out.get(key) ?? { good: 0, sectors: 0 }
    out.set(key, { ...r, good: good + r.good, sectors: sectors + r.sectors })
  }
  return [...out.values()]
}

/**
 * What reads in other drives say of one drive: whether the disk that it does not read is read elsewhere, whether what
 * it wrote is, and how many disks it reads.
 * @param wrote disks that this drive wrote
 */
export function readsElsewhere(drive: string, all: readonly DiskInDrive[], wrote: ReadonlySet<string>): CaseReading[] {
  const reading = pooled(all)
  const here = reading.filter(r => r.drive === drive)
  const others = reading.filter(r => r.drive !== drive)
  const out: CaseReading[] = []
  const failing = here.filter(r => !reads(r) && !wrote.has(r.disk))
  const asked = others.filter(r => failing.some(f => f.disk === r.disk))
  if (asked.length) out.push(said('disk.elsewhere', asked.some(reads) ? 'reads' : 'fails'))
  const written = others.filter(r => wrote.has(r.disk))
  if (written.length) out.push(said('written.elsewhere', written.every(reads) ? 'reads' : 'fails'))
  const foreign = here.filter(r => !wrote.has(r.disk))
  if (foreign.length > 1)
    out.push(said('disks.tried', foreign.length), said('disks.read', foreign.filter(reads).length))
  return out
}
