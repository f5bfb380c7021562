import { findMechanism, layoutsOf, speedBands, type Zone } from '../../drives'
import type { DriveFacts } from '../../log'

/** What of a drive's data decides what it should do. */
export type TestedDrive = Pick<DriveFacts, 'mechanism' | 'features' | 'nominalRpm' | 'motor'>

/** The first, a middle and the last cylinder. */
export function cylindersOf({ mechanism }: TestedDrive): Readonly<Record<Zone, number>> {
  const count = findMechanism(mechanism).geometry.cylinders.value
  return { outer: 0, middle: Math.floor(count / 2), inner: count - 1 }
}

const plainly = (x: number): string => String(Number(x.toFixed(1)))

/** The speed with the band in which it is left alone. */
export function speedSaid({ mechanism, nominalRpm }: TestedDrive): string {
  const m = findMechanism(mechanism)
  if (m.speed.zones && nominalRpm === null)
    return `${m.speed.nominal[0]!.value} r/min, or that of its zone: ${m.speed.zones.map(z => z.rpm).join(', ')} r/min`
  const nominal = nominalRpm ?? m.speed.nominal[0]!.value
  const { wide } = speedBands(m, nominal)
  return wide ? `${nominal} r/min, left alone from ${plainly(wide.low)} to ${plainly(wide.high)}` : `${nominal} r/min`
}

/** Period of the index. */
export function indexSaid({ mechanism, nominalRpm }: TestedDrive): string {
  const rpm = nominalRpm ?? findMechanism(mechanism).speed.nominal[0]!.value
  return `One short pulse for each revolution: every ${plainly(60_000 / rpm)} ms at ${rpm} r/min`
}

const PLACES: Readonly<Record<Zone, string>> = {
  outer: 'near the edge',
  middle: 'in the middle',
  inner: 'near the hub',
}

/** What a zone should give: sectors of a cylinder, or blocks of a place where nothing is stepped over. */
export const zoneSaid = (drive: TestedDrive, zone: Zone): string =>
  layoutsOf(drive.mechanism).length === 0
    ? `Everything ${PLACES[zone]}`
    : `Every sector, such as those of cylinder ${cylindersOf(drive)[zone]}`

export const motorSaid = ({ motor }: TestedDrive): string =>
  motor === 'ac' ? 'Turns as long as mains is there' : 'Turns at once, and keeps turning'

export const stepsSaid = (drive: TestedDrive): string =>
  `One cylinder for each step, 0 to ${cylindersOf(drive).inner}, without a rub`

/** How far beyond the last cylinder a carriage usually goes (common practice). */
const BEYOND = 4

export const endStopSaid = (drive: TestedDrive): string => {
  const last = cylindersOf(drive).inner
  return `${last} to ${last + BEYOND} steps back to TRACK 0`
}

/** What a protected disk looks like on this type of drive. */
export function protectedSaid({ mechanism }: TestedDrive): string {
  const covered = findMechanism(mechanism).protectCovered?.value
  return covered
    ? `Refused. Here a disk is protected where its notch, hole or tab is ${covered === 'protected' ? 'covered' : 'open'}`
    : 'Refused'
}

export function writeEnabledSaid({ mechanism }: TestedDrive): string {
  const covered = findMechanism(mechanism).protectCovered?.value
  return covered
    ? `Written. Here a disk is write-enabled where its notch, hole or tab is ${covered === 'writable' ? 'covered' : 'open'}`
    : 'Written'
}

export const densitySaid = ({ mechanism }: TestedDrive): string =>
  mechanism === '5.25in-96' ? 'Each read as what the host sets' : 'Each read as what its hole says'
