import type { LogEntry } from '../../log'

/** A reading that does what a step is for, or shows it: any value of it, or one of some. */
interface Shows {
  readonly key: string
  readonly values?: readonly string[]
}

const done = (key: string): Shows => ({ key })
const seen = (key: string, ...values: string[]): Shows => ({ key, values })

/** Steps that the case ticks: what was done or seen on the way from a complaint is not asked for again. */
export const SHOWN_BY: Readonly<Record<string, readonly Shows[]>> = {
  'clean.heads': [done('after.clean.heads')],
  'clean.sensors': [done('after.clean.sensors')],
  'clean.switches': [done('after.clean.switches')],
  'clean.grease': [done('after.clean.grease')],
  'clean.leak': [done('after.clean.board')],
  'clean.free': [done('after.free.carriage'), done('after.free.spindle')],
  'drive-train.belt': [done('after.fit.belt')],
  'electronics.sensors': [done('sensor.track-0.lit'), done('sensor.index.lit'), done('sensor.protect.lit')],
  'electronics.own': [done('processor.reset'), done('processor.clock')],
  'electronics.straps': [seen('straps.looked', 'right')],
  'speed.trim': [done('after.set.trimmer')],
  'prove.change': [seen('see.change', 'new')],
  'prove.write': [seen('see.format', 'yes')],
  'prove.cross': [seen('written.elsewhere', 'reads')],
}

/** Steps for which a measurement of the speed stands. */
const BY_SPEED: ReadonlySet<string> = new Set(['speed.capture'])

/** Steps that what stands on a log has done or shown, by their ids. */
export function shownSteps(standing: readonly LogEntry[]): ReadonlySet<string> {
  const last = new Map<string, string>()
  let speed = false
  for (const { data } of standing) {
    if (data?.type === 'speed' || (data?.type === 'reading' && data.key === 'speed.mean')) speed = true
    if (data?.type === 'reading') last.set(data.key, String(data.value))
  }
  const shows = ({ key, values }: Shows) => {
    const value = last.get(key)
    return value !== undefined && (!values || values.includes(value))
  }
  return new Set([
    ...Object.entries(SHOWN_BY).flatMap(([step, by]) => (by.some(shows) ? [step] : [])),
    ...(speed ? BY_SPEED : []),
  ])
}
