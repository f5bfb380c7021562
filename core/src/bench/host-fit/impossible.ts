import { lowerFirst, upperFirst } from '../../base/observations'
import { clash, hostPins, meets } from './evaluate'
import {
  isWanted,
  MODES,
  SIGNALS,
  valueLabel,
  type Cable,
  type Choice,
  type DriveProfile,
  type HostProfile,
  type Need,
  type Want,
} from '../../drives/hosts'
import { settingsOf, solveFit } from './solve'

export interface Impossible {
  /** Needs that cannot be met together; none of them can be left out of the contradiction. */
  readonly needs: readonly Need[]
  /** Why, in a sentence. */
  readonly because: string
}

/** What a want asks for, in words. */
export function wantText(w: Want): string {
  switch (w.kind) {
    case 'line':
      return `${SIGNALS[w.signal].label} on pin ${w.pin}`
    case 'quiet':
      return `nothing on pin ${w.pin}`
    case 'way':
      return `${lowerFirst(MODES[w.mode].label)} ${w.oneOf.map(v => valueLabel(w.mode, v)).join(' or ')}`
  }
}
export const needText = (n: Need): string => n.wants.map(wantText).join(', or ')

/**
 * Proof that a host's musts cannot all be met: the smallest set that can be found by leaving out one need after another
 * as long as the rest still contradict. Each try is an exact search over every setting.
 * @returns null where they can be met
 */
export function proveImpossible(host: HostProfile, drive: DriveProfile, cable: Cable): Impossible | null {
  const driven = hostPins(host)
  const musts = host.needs.filter(isWanted)
  const possible = (needs: readonly Need[]) => solveFit({ ...host, needs }, drive, cable, driven)?.cost[0] === 0
  if (possible(musts)) return null
  if (!possible([])) return { needs: [], because: reason([], host, drive, cable) }
  // One that can never be met says more than a pair that cannot be met together.
  const alone = musts.find(n => !possible([n]))
  let core = alone ? [alone] : musts
  if (!alone) {
    for (const need of musts) {
      const rest = core.filter(n => n !== need)
      if (!possible(rest)) core = rest
    }
  }
  return { needs: core, because: reason(core, host, drive, cable) }
}

function reason(core: readonly Need[], host: HostProfile, drive: DriveProfile, cable: Cable): string {
  const settings = settingsOf(drive)
  const none = `none of its ${settings} setting${settings === 1 ? '' : 's'}`
  if (core.length === 0)
    return 'The drive’s profile contradicts itself: two lines on one pin, a line on a pin that the host drives, one input on two pins, or two ways at once, however it is set.'
  if (core.length === 1) {
    const [need] = core
    const givers = givenBy(need!, drive, cable)
    if (givers.length === 0)
      return `Nothing on the drive gives ${needText(need!)}: no fixed line, no strap and no wire.`
    const blocked = givers.some(g => clash(g.choice.positions[g.at]!.lines ?? [], [], hostPins(host), cable))
    return blocked
      ? `${upperFirst(needText(need!))} could be had only on a pin that the host drives itself.`
      : `${upperFirst(needText(need!))} could be had only together with what contradicts it: ${none} has it.`
  }
  // The plain case: one strap would have to stand in two places.
  const [a, b] = core
  if (core.length === 2) {
    const [ga, gb] = [givenBy(a!, drive, cable), givenBy(b!, drive, cable)]
    const shared = ga.find(x => gb.some(y => y.choice === x.choice && y.at !== x.at))
    if (shared && [...ga, ...gb].every(g => g.choice === shared.choice)) {
      const other = gb.find(y => y.choice === shared.choice)!
      return `${shared.choice.label} would have to stand at “${shared.choice.positions[shared.at]!.label}” for ${needText(a!)} and at “${other.choice.positions[other.at]!.label}” for ${needText(b!)}.`
    }
  }
  return `Each can be had without the others, but ${none} has all of them: ${core.map(needText).join('; ')}.`
}

/** Positions that bring what a need asks for. */
function givenBy(need: Need, drive: DriveProfile, cable: Cable): { readonly choice: Choice; readonly at: number }[] {
  return drive.choices.flatMap(choice =>
    choice.positions.flatMap((p, at) =>
      need.wants.some(w => w.kind !== 'quiet' && meets(w, p, cable)) ? [{ choice, at }] : [],
    ),
  )
}
