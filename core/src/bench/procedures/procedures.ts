import { ParameterError } from '../../base/errors'
import { lowerFirst } from '../../base/observations'
import { holds, situationOf } from '../../findings'
import type { DriveFacts } from '../../log'
import { findPart, proveAgain } from '../../parts'
import { BOARD } from './each/board'
import { HEADS } from './each/heads'
import { LOADING } from './each/loading'
import { MEDIA } from './each/media'
import { TURNING } from './each/turning'
import { step, type Procedure, type ProcedureStep } from './procedure'

/** How parts are changed, and disks made fit to be read. */
export const PROCEDURES: readonly Procedure[] = [...HEADS, ...TURNING, ...LOADING, ...BOARD, ...MEDIA]

/** A procedure for one part of one drive: what is particular to it between what always comes before and after. */
export interface Steps {
  readonly title: string
  readonly steps: readonly ProcedureStep[]
  /** Minutes of hands, and of waits that go on by themselves. */
  readonly hands: number
  readonly waits: number
}

const ARRIVAL = 'Lay the old one and the new one side by side'
const MARKED = 'Photograph and mark before you undo anything'
/** Showing one thing again takes about so long (from memory). */
const SHOW_MINUTES = 6

/** The procedure that changes a part; null where it is changed as anything is. */
export const procedureOf = (part: string, procedures: readonly Procedure[] = PROCEDURES): Procedure | null =>
  procedures.find(p => p.parts.includes(part)) ?? null

/**
 * How a part of a drive is changed, step by step: compared on arrival, marked, changed, shown again.
 * @param found ids of the findings that hold
 * @param procedures those of the workshop, where it has edited them
 * @throws ParameterError where there is no such part
 */
export function changePart(
  part: string,
  drive: Pick<DriveFacts, 'mechanism' | 'features'>,
  found: Iterable<string> = [],
  procedures: readonly Procedure[] = PROCEDURES,
): Steps {
  const node = findPart(part)
  if (!node) throw new ParameterError(`there is no part “${part}”`, 'one of the parts of a drive', { field: 'part' })
  const own = procedureOf(part, procedures)
  const s = situationOf(drive, found)
  const before = [
    step('arrival', ARRIVAL, compared(own, node.label), 5, { tools: ['lens', 'calipers'] }),
    step(
      'photo',
      MARKED,
      'Plugs with their pin 1, screws that look alike, straps: the put-back list follows from it.',
      5,
      {
        tools: ['camera', 'marker'],
      },
    ),
  ]
  const between = own
    ? own.steps.filter(x => holds(x.when, s))
    : [
        step(
          'out',
          `Take the ${lowerFirst(node.label)} out`,
          'In the order of the photo; nothing is forced.',
          half(node.minutes),
        ),
        step('in', 'Fit the new one', 'In reverse; screws crosswise, just tight first.', half(node.minutes)),
      ]
  const after = [
    ...proveAgain(node.again).map((says, i) =>
      step(`show-${i + 1}`, says.replace(/\.$/, ''), 'It was moved.', SHOW_MINUTES),
    ),
    step(
      'closed',
      'Show it once more with the covers on',
      'A crimp or a lead that is pressed shows only then.',
      SHOW_MINUTES,
    ),
  ]
  return timed(`${own?.title ?? 'Change'}: ${lowerFirst(node.label)}`, [...before, ...between, ...after])
}

/** A procedure that changes no part, such as washing a disk. @throws ParameterError where there is none of this id */
export function procedureSteps(
  id: string,
  drive: Pick<DriveFacts, 'mechanism' | 'features'>,
  procedures: readonly Procedure[] = PROCEDURES,
): Steps {
  const p = procedures.find(x => x.id === id)
  if (!p)
    throw new ParameterError(`there is no procedure “${id}”`, procedures.map(x => x.id).join(', '), {
      field: 'procedure',
    })
  const s = situationOf(drive, [])
  return timed(
    p.title,
    p.steps.filter(x => holds(x.when, s)),
  )
}

const timed = (title: string, steps: readonly ProcedureStep[]): Steps => ({
  title,
  steps,
  hands: steps.reduce((sum, x) => sum + x.hands, 0),
  waits: steps.reduce((sum, x) => sum + (x.wait?.minutes ?? 0), 0),
})

const half = (minutes: number): number => Math.max(1, Math.round(minutes / 2))

const compared = (p: Procedure | null, label: string): string =>
  p?.compare.length
    ? `Compare: ${p.compare.join('; ')}. New parts arrive broken too.`
    : `A new ${lowerFirst(label)} may be broken, or of another revision.`
