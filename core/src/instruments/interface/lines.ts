import type { Capture, EdgeList } from '../../signals/captures'

/** The drive's interface lines that a recording may have, in any number. All are low when true. */
export const LINES = {
  index: { label: 'index', words: /index|^n?idx$/i },
  'track-0': { label: 'track zero', words: /tr(?:ac)?k?[\s_-]*0{1,2}|t0{1,2}\b/i },
  'write-protect': { label: 'write protect', words: /w(?:rite)?[\s_-]*p(?:ro?t(?:ect)?|t)?\b/i },
  'read-data': { label: 'read data', words: /r(?:ea)?d[\s_-]*data|rdata|^rd$/i },
  step: { label: 'step', words: /step|^stp$/i },
  direction: { label: 'direction', words: /dir/i },
  side: { label: 'side', words: /side|head[\s_-]*sel|hdsel/i },
  motor: { label: 'motor', words: /mot(?:or)?/i },
  select: { label: 'select', words: /d(?:rive)?[\s_-]*s(?:el(?:ect)?)?\d?\b|^sel/i },
  ready: { label: 'ready', words: /r(?:ea)?dy/i },
  'disk-change': { label: 'disk change', words: /cha?ng|dskch/i },
  'write-gate': { label: 'write gate', words: /w(?:rite)?[\s_-]*g(?:ate)?\b/i },
} as const satisfies Readonly<Record<string, { readonly label: string; readonly words: RegExp }>>
export type LineName = keyof typeof LINES
/** Lines that a drive may drive only while it is selected. */
export const STATUS_LINES = [
  'index',
  'track-0',
  'write-protect',
  'ready',
  'disk-change',
  'read-data',
] as const satisfies readonly LineName[]
export const LINE_NAMES = Object.keys(LINES) as LineName[]

/** Names of the lines in a recording. */
export const RECORDED_AS: Readonly<Record<LineName, string>> = {
  index: 'INDEX',
  'track-0': 'TRACK0',
  'write-protect': 'WRITE_PROTECT',
  'read-data': 'READ_DATA',
  step: 'STEP',
  direction: 'DIRECTION',
  side: 'SIDE',
  motor: 'MOTOR',
  select: 'SELECT',
  ready: 'READY',
  'disk-change': 'DISK_CHANGE',
  'write-gate': 'WRITE_GATE',
}

/** Lines that were recorded, by what they are. */
export type BusLines = Readonly<Partial<Record<LineName, EdgeList>>>

/** Which channel is which line, by their names; a channel stands for one line at most, a line for one channel. */
export function guessLines(channels: readonly string[]): Partial<Record<LineName, string>> {
  const mapping: Partial<Record<LineName, string>> = {}
  const taken = new Set<string>()
  for (const line of LINE_NAMES) {
    const name = channels.find(c => !taken.has(c) && LINES[line].words.test(c.split('.').at(-1)!))
    if (name === undefined) continue
    mapping[line] = name
    taken.add(name)
  }
  return mapping
}

/** The lines of a capture by a mapping; channels that were too busy to keep are left out. */
export function linesOf(
  capture: Capture,
  mapping: Readonly<Partial<Record<LineName, string>>> = guessLines(capture.channels.map(c => c.name)),
): BusLines {
  return Object.fromEntries(
    LINE_NAMES.flatMap(line => {
      const edges = capture.channels.find(c => c.name === mapping[line])?.edges
      return edges ? [[line, edges]] : []
    }),
  )
}
