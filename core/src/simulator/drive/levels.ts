import type { LineName, STATUS_LINES } from '../../instruments/interface'

/** Level of a line and why it stands there. */
export interface LineState {
  /** Low is true: all lines of the interface are. */
  readonly low: boolean
  /** One sentence. */
  readonly why: string
  /** False where its level tells nothing now. */
  readonly means: boolean
}

export const HOST_LINES = [
  'select',
  'motor',
  'direction',
  'step',
  'side',
  'write-gate',
] as const satisfies readonly LineName[]
export type HostLine = (typeof HOST_LINES)[number]
export type StatusLine = (typeof STATUS_LINES)[number]

/** What the drive's own logic knows, before its output stage. */
export interface Inside {
  readonly diskSeen: boolean
  readonly diskIn: boolean
  readonly turning: boolean
  readonly ready: boolean
  readonly changed: boolean
  readonly protectedSeen: boolean
  readonly tabProtected: boolean
  readonly zeroSeen: boolean
  readonly cylinder: number
  readonly indexNow: boolean
  readonly readingSignal: boolean
}

type Sensor = 'trackZero' | 'index' | 'writeProtect' | 'diskIn'
type Sensors = Readonly<Record<Sensor, string>>

/** What a status line would say if the drive were selected and nothing on its way out were broken. */
export function statusOf(
  line: StatusLine,
  i: Inside,
  sensors: Sensors,
): { readonly low: boolean; readonly why: string } {
  const cylinder = `the carriage is at cylinder ${i.cylinder}`
  switch (line) {
    case 'index':
      if (sensors.index === 'dead') return { low: false, why: 'The index sensor is dead: no pulse comes.' }
      if (!i.diskIn) return { low: false, why: 'No disk is in, so no index comes past.' }
      return i.turning
        ? {
            low: i.indexNow,
            why: i.indexNow ? 'The index is at its sensor.' : 'The disk turns; the index is elsewhere.',
          }
        : { low: false, why: 'The disk does not turn.' }
    case 'track-0':
      if (sensors.trackZero === 'covered') return { low: true, why: `The sensor reads as covered always; ${cylinder}.` }
      if (sensors.trackZero === 'clear') return { low: false, why: `The sensor never sees its flag; ${cylinder}.` }
      return {
        low: i.zeroSeen,
        why: i.zeroSeen ? `The flag covers the sensor: ${cylinder}.` : `The flag is clear of the sensor: ${cylinder}.`,
      }
    case 'write-protect':
      if (!i.diskIn)
        return {
          low: i.protectedSeen,
          why: i.protectedSeen
            ? 'No disk is in, and the switch reads as protected.'
            : 'No disk is in, and the switch reads as open to writing.',
        }
      if (i.protectedSeen !== i.tabProtected)
        return {
          low: i.protectedSeen,
          why: i.protectedSeen
            ? 'The switch reads as protected, though the disk’s tab says it may be written.'
            : 'The switch reads as open to writing, though the disk is protected.',
        }
      return { low: i.protectedSeen, why: i.protectedSeen ? 'The disk is protected.' : 'The disk may be written.' }
    case 'ready':
      return {
        low: i.ready,
        why: i.ready
          ? 'A disk turns near its speed.'
          : !i.diskSeen
            ? 'The drive knows of no disk.'
            : 'The disk is not at its speed.',
      }
    case 'disk-change':
      return {
        low: i.changed,
        why: i.changed
          ? i.diskSeen
            ? 'A disk was changed; a step clears it.'
            : 'The drive knows of no disk: the latch stays set.'
          : 'No change since the last step with a disk in.',
      }
    case 'read-data':
      return {
        low: false,
        why: i.readingSignal
          ? 'Pulses come: one for each flux transition.'
          : !i.diskIn
            ? 'No disk is in.'
            : !i.turning
              ? 'The disk does not turn.'
              : 'The disk turns, but the head finds no signal.',
      }
  }
}

/** What a host says by one of its lines, low and high. */
export const HOST_WORDS: Readonly<Record<HostLine, readonly [string, string]>> = {
  select: ['The host speaks to this drive.', 'The host speaks to no drive.'],
  motor: ['The host wants the motor on.', 'The host wants the motor off.'],
  direction: ['A step moves inward, to the hub.', 'A step moves outward, to track zero.'],
  step: ['A step is asked for.', 'No step is asked for.'],
  side: ['The upper head is chosen.', 'The lower head is chosen.'],
  'write-gate': ['The host writes.', 'The host reads.'],
}
