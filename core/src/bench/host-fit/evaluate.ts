import {
  foundPosition,
  isWanted,
  SIGNALS,
  type Cable,
  type Choice,
  type DriveProfile,
  type Effects,
  type HostProfile,
  type Line,
  type Need,
  type Want,
  type Way,
} from '../../drives/hosts'

/** A setting: for each choice the index of its position. */
export type Setting = readonly number[]

/** What a setting brings about, all its parts together. */
export interface State {
  readonly lines: readonly Line[]
  readonly ways: readonly Way[]
}

/** Better is smaller, the first that differs decides. */
export type Cost = readonly [
  mustsMissed: number,
  noticesMissed: number,
  secondBest: number,
  wires: number,
  moved: number,
]

export function stateOf(drive: DriveProfile, setting: Setting): State {
  const parts: Effects[] = [drive.fixed, ...drive.choices.map((c, i) => c.positions[setting[i]!]!)]
  return { lines: parts.flatMap(p => p.lines ?? []), ways: parts.flatMap(p => p.ways ?? []) }
}

/** Pins that the host itself drives, with what it puts on them. */
export function hostPins(host: HostProfile): ReadonlyMap<number, string> {
  const pins = new Map<number, string>()
  for (const need of host.needs)
    for (const w of need.wants) if (w.kind === 'line' && SIGNALS[w.signal].from === 'host') pins.set(w.pin, w.signal)
  return pins
}

/**
 * Whether parts of a drive may stand together: a pin that the drive drives carries one signal and is not driven by the
 * host too; what the drive listens to comes from one pin, for two would be joined by it; it behaves in one way at a
 * time.
 */
export function clash(
  lines: readonly Line[],
  ways: readonly Way[],
  driven: ReadonlyMap<number, string>,
  cable: Cable,
): boolean {
  const byPin = new Map<number, string>()
  const heard = new Map<string, number>()
  for (const l of lines) {
    if (SIGNALS[l.signal].from === 'host') {
      if ((heard.get(l.signal) ?? l.pin) !== l.pin) return true
      heard.set(l.signal, l.pin)
      continue
    }
    const other = byPin.get(l.pin)
    if (other !== undefined && other !== l.signal) return true
    byPin.set(l.pin, l.signal)
    if (cable === 'straight' && driven.has(l.pin)) return true
  }
  const byMode = new Map<string, string>()
  for (const w of ways) {
    const other = byMode.get(w.mode)
    if (other !== undefined && other !== w.value) return true
    byMode.set(w.mode, w.value)
  }
  return false
}

/**
 * Whether a want is met by a drive as a whole; of a part of it, whether that part brings it or, for a quiet pin,
 * leaves it quiet.
 */
export function meets(want: Want, state: Effects, cable: Cable): boolean {
  switch (want.kind) {
    case 'line':
      return state.lines?.some(l => l.signal === want.signal && (cable === 'made' || l.pin === want.pin)) ?? false
    case 'way':
      return state.ways?.some(w => w.mode === want.mode && want.oneOf.includes(w.value)) ?? false
    // A cable that is made leaves out what is not wanted.
    case 'quiet':
      return cable === 'made' || !state.lines?.some(l => l.pin === want.pin && SIGNALS[l.signal].from === 'drive')
  }
}

/** Index of the first want that is met; −1 where none is. */
export const metBy = (need: Need, state: State, cable: Cable): number =>
  need.wants.findIndex(w => meets(w, state, cable))

/** What choosing a position costs by itself: wires and cuts made, straps moved. */
export function handling(choice: Choice, position: number): readonly [wires: number, moved: number] {
  const moved = choice.positions[position] !== foundPosition(choice)
  return choice.kind === 'strap' ? [0, moved ? 1 : 0] : [moved ? 1 : 0, 0]
}

/** Cost of a whole setting; null where its parts clash. */
export function costOf(host: HostProfile, drive: DriveProfile, setting: Setting, cable: Cable): Cost | null {
  const state = stateOf(drive, setting)
  if (clash(state.lines, state.ways, hostPins(host), cable)) return null
  const cost: [number, number, number, number, number] = [0, 0, 0, 0, 0]
  for (const need of host.needs) {
    const at = metBy(need, state, cable)
    if (at < 0) cost[isWanted(need) ? 0 : 1]++
    else cost[2] += at
  }
  for (const [i, c] of drive.choices.entries()) {
    const [wires, moved] = handling(c, setting[i]!)
    cost[3] += wires
    cost[4] += moved
  }
  return cost
}

/** Below 0 where a is the better one. */
export function compareCost(a: Cost, b: Cost): number {
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return a[i]! - b[i]!
  return 0
}
