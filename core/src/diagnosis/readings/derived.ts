import { lineName } from '../../calculators/electronics'
import type { SourceId } from '../../base/observations'
import type { StationId } from '../../log'
import { COMPLAINT_STATES, METERED_LINES } from '../case/reading-keys'
import { COMPLAINTS } from '../knowledge/complaints'
import { CHECKS, findCheck } from '../knowledge/knowledge'
import type { Check } from '../knowledge/types'
import { READINGS, type Reading, type ReadingWay } from './readings'

/** Where the value of a check is taken, by the beginning of its id. */
const STATIONS: readonly (readonly [string, StationId])[] = [
  ['read.', 'prove'],
  ['see.steady', 'prove'],
  ['see.write', 'prove'],
  ['see.format', 'prove'],
  ['disks.', 'prove'],
  ['disk.', 'prove'],
  ['written.', 'prove'],
  ['speed.', 'speed'],
  ['see.', 'first-power'],
  ['noise', 'first-power'],
  ['sweep.', 'align'],
  ['history.', 'receive'],
]

const stationOf = (id: string): StationId => STATIONS.find(([start]) => id.startsWith(start))?.[1] ?? 'electronics'

const wayOf = (source: SourceId): ReadingWay => ({ source, by: '', uncertainty: null, from: 'from memory' })
const OTHERS: readonly SourceId[] = ['hand', 'host', 'meter', 'probe', 'instrument', 'said']

const waysOf = (source: SourceId): [ReadingWay, ...ReadingWay[]] => [
  wayOf(source),
  ...OTHERS.filter(o => o !== source).map(wayOf),
]

const asReading = (c: Check): Reading =>
  c.bands && c.unit
    ? {
        key: c.id,
        label: c.title,
        unit: c.unit,
        kind: 'number',
        station: stationOf(c.id),
        least: -1e6,
        most: 1e9,
        ways: waysOf(c.source),
      }
    : {
        key: c.id,
        label: c.title,
        unit: '',
        kind: 'word',
        station: stationOf(c.id),
        words: c.answers,
        ways: waysOf(c.source),
      }

const number = (key: string, label: string, unit: string, source: SourceId): Reading => ({
  key,
  label,
  unit,
  kind: 'number',
  station: stationOf(key),
  least: 0,
  most: 1e6,
  ways: waysOf(source),
})

const words = (key: string, label: string, of: readonly string[]): Reading => ({
  key,
  label,
  unit: '',
  kind: 'word',
  station: stationOf(key),
  words: of,
  ways: waysOf('hand'),
})

const DENSITIES = ['single', 'double', 'high'] as const

/** What is read, swapped and tried on the way from complaint to cause, beside what people type at a station. */
export const CASE_READINGS: readonly Reading[] = [
  ...CHECKS.filter(c => c.kind !== 'finding' && !READINGS.some(r => r.key === c.id)).map(asReading),
  ...COMPLAINTS.map(c => ({
    ...words(`complaint.${c.id}`, c.label, COMPLAINT_STATES),
    station: 'receive' as const,
    ways: waysOf('said'),
  })),
  ...METERED_LINES.flatMap(line =>
    (['active', 'idle'] as const).map(state => ({
      ...number(`level.${line}.${state}`, `${lineName(line)} at the drive, while it should be ${state}`, 'V', 'meter'),
      most: 30,
    })),
  ),
  number('disks.tried', 'Disks tried', '', 'host'),
  number('disks.read', 'Disks that read', '', 'host'),
  words('disks.one-writer', 'All of them from one writer', ['true', 'false']),
  words('disk.marked', 'Density that the disk is marked for', DENSITIES),
  words('disk.formatted', 'Density that the disk was formatted to', DENSITIES),
]

const known = new Map([...READINGS, ...CASE_READINGS].map(r => [r.key, r]))

/** Prefix of the readings that say that a check of a bench test could not be tried. */
export const UNTRIED = 'test.'

/** That a check could not be tried is no evidence; it is kept so that nobody wonders. */
function untried(key: string): Reading | null {
  const check = key.startsWith(UNTRIED) && findCheck(key.slice(UNTRIED.length))
  return check ? { ...words(key, check.title, ['could not try']), station: stationOf(check.id) } : null
}

/** The reading of a key, or null. */
export const findReading = (key: string): Reading | null => known.get(key) ?? untried(key)
