import { CHECKS } from '../../../src/diagnosis'
import { compileDrive } from '../../../src/diagnosis/drive/compile'
import { Random } from '../../../src/simulator'
import { measure, mendFault, soundRig, works, type Hidden } from '../../../src/simulator/rig'

/** What a way of searching cost, and whether the drive works at its end. */
export interface Searched {
  readonly checks: number
  readonly minutes: number
  readonly mended: boolean
}

/** Beginnings of ids in the order of the stations: looks, then ohms, parts at rest, power, speed, alignment, proof. */
const STATIONS = [
  'found.',
  'straps',
  'see.cable',
  'ohms.',
  'switch.',
  'sensor.',
  'supply.',
  'processor.',
  'serial.',
  'line.',
  'motor.',
  'stepper.',
  'see.',
  'speed.',
  'sweep.',
  'read.',
  'press.',
  'disk',
]
const ALL_AT = STATIONS.length
const rank = (id: string) => {
  const at = STATIONS.findIndex(s => id.startsWith(s))
  return at < 0 ? ALL_AT : at
}
/** Trying a drive again after a cure, minutes. */
const TRY = 2
/** A fault that shows an answer at least so often is mended when it comes. */
const SHOWS = 0.3

/** Every check in the order of the stations; what is not as on a sound drive is mended and tried at once. */
export function byStations(h: Hidden): Searched {
  const drive = compileDrive({ mechanism: h.mechanism })
  const order = [...drive.checks.keys()].sort((a, b) => rank(a) - rank(b))
  const sound = soundRig(h.mechanism)
  let [checks, minutes] = [0, 0]
  for (const id of order) {
    const answer = measure(h.rig, id, h.random)
    if (answer === null) continue
    const check = CHECKS.find(c => c.id === id)!
    checks++
    minutes += check.minutes
    if (answer === measure(sound, id, new Random(1))) continue
    for (const f of drive.faults.filter(x => (x.shows[id]?.[answer] ?? 0) >= SHOWS)) {
      minutes += f.cure.minutes + TRY
      if (mendFault(h.rig, f.id, h.random) && works(h.rig, h.random)) return { checks, minutes, mended: true }
    }
  }
  return { checks, minutes, mended: works(h.rig, h.random) }
}

/** Every cure of the drive's type, the likeliest beforehand per minute first, without any check. */
export function byPrior(h: Hidden): Searched {
  const faults = compileDrive({ mechanism: h.mechanism }).faults
  const order = [...faults].sort((a, b) => b.odds / b.cure.minutes - a.odds / a.cure.minutes)
  let minutes = 0
  for (const f of order) {
    minutes += f.cure.minutes + TRY
    if (mendFault(h.rig, f.id, h.random) && works(h.rig, h.random)) return { checks: 0, minutes, mended: true }
  }
  return { checks: 0, minutes, mended: false }
}
