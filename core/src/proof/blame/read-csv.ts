import Papa from 'papaparse'
import { InputError } from '../../base/errors'
import { SOURCE_IDS, type SourceId } from '../../base/observations'
import { ZONE_NAMES, type BlameDisk, type BlameDrive, type BlameRead, type ZoneName } from './reads'

export interface BlameTable {
  readonly disks: readonly BlameDisk[]
  readonly drives: readonly BlameDrive[]
  readonly reads: readonly BlameRead[]
}

const COLUMNS = ['disk', 'writer', 'drive', 'head', 'zone', 'good', 'sectors'] as const
const MOST_ROWS = 200_000

/**
 * Reads of a bench as CSV (RFC 4180): disk, writer (empty where nobody knows), drive, head (0 or 1), zone (outer,
 * middle or inner), good, sectors; and, where it is there, source (host, recording and so on; host if it is empty).
 * A writer of the name of a drive is that drive.
 * @throws InputError with the line
 */
export function readBlameCsv(text: string, file: string): BlameTable {
  const { data, errors, meta } = Papa.parse<Record<string, string>>(text, {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: h => h.trim().toLowerCase(),
  })
  const lacking = COLUMNS.filter(c => !meta.fields?.includes(c))
  if (lacking.length)
    throw new InputError(`the column ${lacking[0]} is missing`, `a first line of ${COLUMNS.join(',')}`, {
      file,
      line: 1,
    })
  const broken = errors.find(e => e.row !== undefined)
  if (broken)
    throw new InputError(broken.message.toLowerCase(), 'as many fields as the first line has', {
      file,
      line: broken.row! + 2,
    })
  if (data.length > MOST_ROWS) throw new InputError(`there are ${data.length} rows`, `at most ${MOST_ROWS}`, { file })
  const names = new Set(data.map(row => row.drive!.trim()))
  const twoHeads = new Set(data.filter(row => row.head?.trim() === '1').map(row => row.drive!.trim()))
  const disks = new Map<string, BlameDisk>()
  const reads = data.map((row, i): BlameRead => {
    const line = i + 2
    const fault = (problem: string, expected: string) => new InputError(problem, expected, { file, line })
    const [disk, writer, drive] = [row.disk, row.writer, row.drive].map(x => x!.trim()) as [string, string, string]
    if (!disk) throw fault('the disk has no name', 'the name on its label')
    if (!drive) throw fault('the drive has no name', 'its tag')
    const zone = row.zone!.trim().toLowerCase()
    if (!(ZONE_NAMES as readonly string[]).includes(zone))
      throw fault(`there is no zone “${zone}”`, ZONE_NAMES.join(', '))
    const head = row.head!.trim()
    if (head !== '0' && head !== '1')
      throw fault(`there is no head “${head}”`, '0 for the lower one, 1 for the upper one')
    const [good, sectors] = [row.good, row.sectors].map(x => (x!.trim() === '' ? Number.NaN : Number(x))) as [
      number,
      number,
    ]
    if (!Number.isInteger(sectors) || sectors < 1)
      throw fault(`“${row.sectors!.trim()}” is not a number of sectors`, 'a whole number, 1 or more')
    if (!Number.isInteger(good) || good < 0 || good > sectors)
      throw fault(`“${row.good!.trim()}” of ${sectors} sectors cannot have read`, `a whole number from 0 to ${sectors}`)
    const before = disks.get(disk)
    if (before && before.writer !== (writer || null))
      throw fault(
        `two writers are given for ${disk}: “${before.writer ?? 'nobody known'}” and “${writer || 'nobody known'}”`,
        'one writer for each disk',
      )
    disks.set(disk, { id: disk, name: disk, writer: writer || null })
    const source = (row.source?.trim().toLowerCase() || 'host') as SourceId
    if (!SOURCE_IDS.includes(source)) throw fault(`there is no source “${source}”`, SOURCE_IDS.join(', '))
    return { disk, drive, head: Number(head) as 0 | 1, zone: zone as ZoneName, good, sectors, source }
  })
  return {
    disks: [...disks.values()],
    drives: [...names].map(name => ({ id: name, name, heads: twoHeads.has(name) ? 2 : 1 })),
    reads,
  }
}
