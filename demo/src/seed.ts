import { createHash } from 'node:crypto'
import { writeCsv } from '@wobrin/core/captures'
import { OUTCOMES, STATION_IDS } from '@wobrin/core/observations'
import { findStation } from '@wobrin/core/procedures'
import { SimulatedPickup } from '@wobrin/core/simulation'
import { DEMO_DRIVES, type DemoDrive } from './drives'

/**
 * Fills an empty workshop through the same routes that a browser uses: recordings are sent, read and judged by the
 * server. Nothing here holds a result.
 * @param address of a running server
 */
export async function seed(address: string): Promise<void> {
  for (const demo of DEMO_DRIVES) await seedDrive(address, demo)
}

async function send<T>(url: string, body: unknown): Promise<T> {
  const raw = body instanceof Blob
  const answer = await fetch(url, { method: 'POST', body: raw ? body : JSON.stringify(body), headers: raw ? {} : { 'content-type': 'application/json' } })
  const got = await answer.json() as T & { detail?: string }
  if (!answer.ok) throw new Error(`${url}: ${got.detail ?? answer.status}`)
  return got
}

/** The same id for the same thing at every filling: sending it twice adds it once. */
function idOf(...parts: (string | number)[]): string {
  const h = createHash('sha256').update(parts.join('/')).digest('hex')
  return `${h.slice(0, 8)}-${h.slice(8, 12)}-4${h.slice(13, 16)}-8${h.slice(17, 20)}-${h.slice(20, 32)}`
}

async function seedDrive(address: string, demo: DemoDrive): Promise<void> {
  const { tag } = demo.drive
  const id = idOf('drive', tag)
  // Work goes on of an evening; every entry comes some minutes after the one before.
  let clock = new Date(Date.now() - demo.daysAgo * 86_400_000).setHours(19, 4, 0, 0)
  if (clock > Date.now()) clock -= 86_400_000
  const total = 11 + (demo.notes?.length ?? 0) + (demo.readings?.length ?? 0) * 2
  const spread = Math.min(17 * 60_000, (Date.now() - clock) / (total * 3))
  const at = () => new Date(clock += spread).toISOString()

  await send(`${address}/api/drives`, { ...demo.drive, id, receivedAt: new Date(clock).toISOString() })
  const entry = (kind: string, station: string, title: string, more: object = {}) =>
    send(`${address}/api/drives/${id}/log`, { id: idOf(tag, kind, station, title), at: at(), kind, station, title, ...more })

  for (const station of STATION_IDS.slice(0, STATION_IDS.indexOf(demo.at) + 1)) {
    const here = station === demo.at
    const steps = findStation(station).steps
    for (const step of here ? steps.slice(0, demo.stepsDone ?? 0) : []) await entry('step', station, step.title, { step: step.id })
    for (const note of demo.notes?.filter(n => n.station === station) ?? []) {
      const [title, ...detail] = note.text.split('\n')
      await entry('note', station, title!, { detail: detail.join('\n') })
    }
    if (station === 'speed') await measure(address, id, demo, at)
    if (!here) await entry('station', station, `${findStation(station).label} finished`)
  }
  for (const wait of demo.waits ?? []) {
    await entry('wait', demo.at, wait.what, { minutes: wait.minutes, at: new Date(Date.now() - wait.begunMinutesAgo * 60_000).toISOString() })
  }
  if (demo.outcome) {
    await entry('released', 'release', OUTCOMES[demo.outcome.how], { outcome: demo.outcome.how, detail: demo.outcome.remark })
  }
}

async function measure(address: string, id: string, demo: DemoDrive, at: () => string): Promise<void> {
  if (!demo.spindle) return
  const { tag } = demo.drive
  const pickup = new SimulatedPickup({ ...demo.spindle, seed: Number(tag.slice(-2)) })
  for (const [i, reading] of (demo.readings ?? []).entries()) {
    if (reading.moved) {
      pickup.turnTrimmer(reading.moved)
      pickup.advanceTo(pickup.timeS + 2)
    }
    const from = pickup.timeS
    pickup.advanceTo(from + reading.seconds)
    const csv = reading.format === 'csv'
    const content = csv ? writeCsv([{ name: 'INDEX', edges: pickup.edges(from) }]) : pickup.toVcd(`Index line of ${tag}, simulated.`, from)
    const name = `${tag.toLowerCase()}-${String(i + 1).padStart(2, '0')}.${csv ? 'csv' : 'vcd'}`
    const { sha } = await send<{ sha: string }>(`${address}/api/captures?name=${name}`, new Blob([content]))
    await send(`${address}/api/drives/${id}/speed`, { id: idOf(tag, 'speed', i), at: at(), captureSha: sha, movedTurns: reading.moved, remark: reading.remark ?? '' })
  }
}

if (process.argv[1]?.endsWith('seed.ts') && process.argv[2]) {
  await seed(process.argv[2])
  console.log(`  ${DEMO_DRIVES.length} drives.`)
}
