import { lowerFirst } from '../../base/observations'
import { asFoundRecord } from '../../findings'
import type { DriveFacts, LogEntry } from '../../log'
import { partsThere, type CaseOfParts, type PartThere } from '../there'
import { findPart, PART_TREE } from '../tree'
import type { Measures } from '../shapes'

/** Drive that wants, or has, a part. */
export type DriveNamed = Pick<DriveFacts, 'id' | 'tag' | 'mechanism' | 'maker' | 'model'>

export const driveNamed = ({ id, tag, mechanism, maker, model }: DriveNamed): DriveNamed => ({
  id,
  tag,
  mechanism,
  maker,
  model,
})

/** A part that a drive needs and has not got. */
export interface Want {
  /** The drive's id and what it wants: one want has one key. */
  readonly key: string
  readonly drive: DriveNamed
  /** Part of the tree; null for something that was marked as found and broke. */
  readonly part: string | null
  readonly label: string
  /** What gave rise to it. */
  readonly why: 'found' | 'suspected' | 'put back'
  /** The same in a sentence. */
  readonly says: string
  /** How strongly the case suspects the part; 1 where it is known. */
  readonly share: number
  /** What is known of the size of the old one. */
  readonly measures: Measures
}

/** A suspect is wanted once it is likelier than not that another one is needed. */
export const LIKELY = 0.5

/** Broken when it was undone: what is put back then has to be got. */
const BROKEN = { cut: 'Cut', snapped: 'Snapped', unsoldered: null } as const

/**
 * What a drive wants, by itself: parts that were found lost, parts that its case suspects more likely than not, and
 * what broke when it was taken apart. A piece is wanted rather than the assembly that it is in.
 */
export function wantsOf(
  drive: DriveNamed & Pick<DriveFacts, 'features' | 'simulated'>,
  log: readonly LogEntry[],
  found: CaseOfParts | null = null,
): Want[] {
  const named = driveNamed(drive)
  const parts = partsThere(drive, log, found, PART_TREE)
  const wanted = parts.filter(p => p.lost || (p.condition === 'suspected' && p.share >= LIKELY))
  const pieces = new Set(wanted.map(p => p.within))
  return [
    ...wanted.filter(p => !pieces.has(p.id)).map(p => wantOf(named, p)),
    ...asFoundRecord(log).flatMap((r): Want[] => {
      const how = r.broke && BROKEN[r.broke]
      if (!how || r.putBack) return []
      return [
        {
          key: `${drive.id} ${r.entry.id}`,
          drive: named,
          part: r.item.kind === 'screw' ? 'screws' : null,
          label: r.item.name,
          why: 'put back',
          says: `${how} when it was undone: no. ${r.number}${r.item.detail ? `, ${lowerFirst(r.item.detail)}` : ''}.`,
          share: 1,
          measures: {},
        },
      ]
    }),
  ]
}

const wantOf = (drive: DriveNamed, p: PartThere): Want => ({
  key: `${drive.id} ${p.id}`,
  drive,
  part: p.id,
  label: p.label,
  why: p.lost ? 'found' : 'suspected',
  says: p.says,
  share: p.lost ? 1 : Math.min(1, p.share),
  measures: p.measures,
})

/** Shape by which a wanted part fits drives of other models; null where only the model tells. */
export const shapeWanted = (want: Pick<Want, 'part'>) => (want.part && findPart(want.part)?.shape) || null
