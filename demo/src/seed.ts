import { createHash } from 'node:crypto'
import { writeCsv } from '@wobrin/core/signals/captures'
import type { Question } from '@wobrin/core/findings'
import { OUTCOMES, STATION_IDS, type LogEntry, type StationId } from '@wobrin/core/log'
import { DRIVES, HOSTS } from '@wobrin/core/drives/hosts'
import { findCalculator } from '@wobrin/core/calculators/registry'
import { partsThere } from '@wobrin/core/parts'
import { ZONE_NAMES } from '@wobrin/core/proof'
import { nextAt, safetySheet, stationAsking, stationOf, walk, type StepState } from '@wobrin/core/bench/stations'
import { SimulatedPickup } from '@wobrin/core/simulator'
import type { DemoCase, DemoDrive } from './demo-drive'
import { DEMO_DRIVES } from './drives'
import { drawPicture } from './pictures'
import { DEMO_MODEL } from './model'
import type { DemoItem, DemoRecord } from './records'
import { PROOF_CALCULATORS, PROOF_WRITTEN } from './proof'
import { DEMO_WORKSHOP, DEMO_BELTS, DEMO_DISKS, DEMO_PROFILES, DEMO_READS, DEMO_SPARES } from './shelf'
import { sweepByAdvice } from './sweep'

/**
 * Fills an empty workshop through the same routes that a browser uses: recordings are sent, read and judged by the
 * server. Nothing here holds a result.
 * @param address of a running server
 */
export async function seed(address: string): Promise<void> {
  const settings = await (await fetch(`${address}/api/workshop`)).json()
  await send(`${address}/api/workshop`, { ...(settings as object), name: DEMO_WORKSHOP }, 'PUT')
  for (const [i, belt] of DEMO_BELTS.entries()) await send(`${address}/api/belts/${idOf('belt', i)}`, belt, 'PUT')
  for (const [i, spare] of DEMO_SPARES.entries())
    await send(`${address}/api/spares/${idOf('spare', i)}`, spareOf(spare), 'PUT')
  for (const [i, profile] of DEMO_PROFILES.entries())
    await send(`${address}/api/profiles/${idOf('profile', i)}`, profile, 'PUT')
  await send(`${address}/api/profiles/${idOf('model', DEMO_MODEL.model)}`, DEMO_MODEL, 'PUT')
  // Drives that wrote reference disks first: the others are judged by those.
  const wrote = new Set(DEMO_DISKS.map(d => d.by))
  for (const demo of DEMO_DRIVES.filter(d => wrote.has(d.drive.tag))) await new Seeding(address, demo).run()
  for (const { name, by, provedBy, ...disk } of DEMO_DISKS) {
    await send(
      `${address}/api/disks/${idOf('disk', name)}`,
      { ...disk, name, writtenBy: by ? idOf('drive', by) : null, provedBy: provedBy ? idOf('disk', provedBy) : null },
      'PUT',
    )
  }
  for (const demo of DEMO_DRIVES.filter(d => !wrote.has(d.drive.tag))) await new Seeding(address, demo).run()
  for (const [i, { drive, disk, good }] of DEMO_READS.entries()) {
    const places = good.map((n, at) => ({ head: at < 3 ? 0 : 1, zone: ZONE_NAMES[at % 3], good: n, sectors: 9 }))
    await send(`${address}/api/drives/${idOf('drive', drive)}/cross-reads`, {
      id: idOf('cross-read', i),
      at: new Date(Date.now() - (DEMO_READS.length - i) * 40_000).toISOString(),
      disk: idOf('disk', disk),
      places,
    })
  }
}

/** A part of the demo's shelf; one that is on its way comes a few days from now. */
function spareOf(spare: (typeof DEMO_SPARES)[number]): object {
  if (!('dueInDays' in spare)) return spare
  const { dueInDays, ...rest } = spare
  return { ...rest, dueOn: new Date(Date.now() + dueInDays * 86_400_000).toISOString().slice(0, 10) }
}

async function send<T>(url: string, body: unknown, method = 'POST'): Promise<T> {
  const raw = body instanceof Blob
  const answer = await fetch(url, {
    method,
    body: raw ? body : JSON.stringify(body),
    headers: raw ? {} : { 'content-type': 'application/json' },
  })
  const got = (await answer.json()) as T & { detail?: string }
  if (!answer.ok) throw new Error(`${url}: ${got.detail ?? answer.status}`)
  return got
}

/** The same id for the same thing at every filling: sending it twice adds it once. */
function idOf(...parts: (string | number)[]): string {
  const h = createHash('sha256').update(parts.join('/')).digest('hex')
  return `${h.slice(0, 8)}-${h.slice(8, 12)}-4${h.slice(13, 16)}-8${h.slice(17, 20)}-${h.slice(20, 32)}`
}

/** Entries that a drive has at most; their times are spread so that none lies ahead. */
const MOST_ENTRIES = 120

/** One drive being worked on of an evening, every entry some minutes after the one before. */
class Seeding {
  private readonly id: string
  private readonly log: LogEntry[] = []
  private clock: number
  private readonly spread: number

  constructor(
    private readonly address: string,
    private readonly demo: DemoDrive,
  ) {
    this.id = idOf('drive', demo.drive.tag)
    this.clock = Date.now() - demo.daysAgo * 86_400_000
    if (demo.daysAgo >= 1) this.clock = Math.min(this.clock, new Date(this.clock).setHours(19, 4, 0, 0))
    this.spread = Math.min(4 * 60_000, (Date.now() - this.clock) / (MOST_ENTRIES * 1.2))
  }

  async run(): Promise<void> {
    const { demo } = this
    await send(`${this.address}/api/drives`, {
      ...demo.drive,
      route: demo.case ? 'complaint' : 'overhaul',
      complaints: demo.case?.complaints ?? demo.complaints ?? [],
      simulated: this.facts.simulated,
      id: this.id,
      receivedAt: new Date(this.clock).toISOString(),
    })
    for (const station of STATION_IDS.slice(0, STATION_IDS.indexOf(demo.at) + 1)) {
      const here = station === demo.at
      for (const [, finding, place] of demo.found?.filter(f => f[0] === station) ?? [])
        await this.find(station, finding, place)
      for (const note of demo.notes?.filter(n => n.station === station) ?? []) {
        const [title, ...detail] = note.text.split('\n')
        await this.say('note', station, { title, detail: detail.join('\n') })
      }
      if (demo.record?.station === station) await this.mark(demo.record)
      if (here) await this.doSteps(station, demo.stepsDone ?? 0)
      else await this.answerAll(station)
      for (const sum of demo.sums?.filter(s => findCalculator(s.instrument).station === station) ?? []) {
        this.log.push(
          await send<LogEntry>(`${this.address}/api/drives/${this.id}/sums`, {
            id: idOf(demo.drive.tag, 'sum', sum.instrument),
            at: this.at(),
            ...sum,
          }),
        )
      }
      if (station === 'electronics' && demo.fit) {
        const [host, drive] = [
          [...DEMO_PROFILES, ...HOSTS].find(h => h.name === demo.fit!.host),
          DRIVES.find(d => d.name === demo.fit!.drive),
        ]
        this.log.push(
          await send<LogEntry>(`${this.address}/api/drives/${this.id}/host-fit`, {
            id: idOf(demo.drive.tag, 'fit'),
            at: this.at(),
            host,
            drive,
          }),
        )
      }
      if (station === 'speed') await this.measure(0, demo.proof ? -1 : undefined)
      if (station === 'prove' && demo.proof) await this.prove(demo.proof.disk)
      if (station === 'align' && demo.surface) {
        this.log.push(
          await send<LogEntry>(`${this.address}/api/drives/${this.id}/read-test`, {
            id: idOf(demo.drive.tag, 'surface'),
            at: this.at(),
            station,
            disk: demo.disk ? idOf('disk', demo.disk) : null,
            simulated: { mechanism: demo.drive.mechanism, story: demo.surface },
          }),
        )
        if (demo.sweep)
          this.log.push(
            await send<LogEntry>(`${this.address}/api/drives/${this.id}/sweeps`, {
              id: idOf(demo.drive.tag, 'sweep'),
              at: this.at(),
              ...sweepByAdvice(demo.drive.mechanism, demo.surface, demo.sweep),
              disk: demo.disk ? idOf('disk', demo.disk) : null,
            }),
          )
      }
      if (!here) await this.say('station', station)
    }
    if (demo.case) await this.follow(demo.case)
    for (const wait of demo.waits ?? []) {
      await this.say('wait', demo.at, {
        title: wait.what,
        minutes: wait.minutes,
        holds: wait.holds,
        at: new Date(Date.now() - wait.begunMinutesAgo * 60_000).toISOString(),
      })
    }
    if (demo.outcome)
      await this.say('released', 'release', {
        title: OUTCOMES[demo.outcome.how],
        outcome: demo.outcome.how,
        detail: demo.outcome.remark,
        ...(demo.outcome.how === 'parts'
          ? {
              parts: partsThere(this.facts, this.log)
                .filter(p => p.good && p.state !== 'not known')
                .map(p => p.id),
            }
          : {}),
      })
  }

  /** Its recordings and surfaces come from the simulated drive, so on file it is one. */
  private get facts() {
    const { mechanism, features = null } = this.demo.drive
    return { mechanism, features, simulated: Boolean(this.demo.spindle || this.demo.surface) }
  }

  private at(): string {
    return new Date((this.clock += this.spread)).toISOString()
  }

  private async say(kind: string, station: StationId, more: object = {}): Promise<LogEntry> {
    const entry = await send<LogEntry>(`${this.address}/api/drives/${this.id}/log`, {
      id: idOf(this.demo.drive.tag, this.log.length),
      at: this.at(),
      kind,
      station,
      ...more,
    })
    this.log.push(entry)
    return entry
  }

  private find(station: StationId, finding: string, place?: string): Promise<LogEntry> {
    return this.say('finding', station, { finding: { finding, place: place ?? null } })
  }

  private way() {
    return walk(this.facts, this.log, this.clock)
  }

  /** Answers a question as one would wish, as it can be answered at that station. */
  private answer(station: StationId, question: Question): Promise<LogEntry> {
    const late = STATION_IDS.indexOf(station) > STATION_IDS.indexOf('open')
    const good =
      question.id === 'pin' && late
        ? question.findings.find(f => f.id === 'pin.back')!
        : question.findings.find(f => f.call === 'leave' && f.id !== 'belt.direct')!
    return this.find(station, good.id)
  }

  /** Makes the safety looks that were fine, then answers checks as they were answered. */
  private async follow({ gates, answers, points = {} }: DemoCase): Promise<void> {
    for (let opened = 0; opened < gates;) {
      const sheet = safetySheet(this.way().gates)
      if (!sheet) break
      for (const { question } of sheet.looks) await this.answer(stationAsking(question.id) ?? 'receive', question)
      opened++
    }
    for (const [i, [check, value, of]] of answers.entries()) {
      if (check.startsWith('found.')) {
        const finding = String(value)
        await this.find(stationAsking(check.slice('found.'.length)) ?? 'receive', finding)
        continue
      }
      this.log.push(
        await send<LogEntry>(`${this.address}/api/drives/${this.id}/readings`, {
          id: idOf(this.demo.drive.tag, 'case', i),
          at: this.at(),
          key: check,
          value,
          source: check.startsWith('complaint.') ? 'hand' : undefined,
          ...(of ? { of } : {}),
        }),
      )
    }
    for (const [id, value] of Object.entries(points)) {
      const { name, state, unit } = DEMO_MODEL.points.find(p => p.id === id)!
      this.log.push(
        await send<LogEntry>(`${this.address}/api/drives/${this.id}/readings`, {
          id: idOf(this.demo.drive.tag, 'point', id),
          at: this.at(),
          key: `point.${id}`,
          label: [name, state].filter(Boolean).join(', '),
          unit,
          value,
          source: unit ? 'meter' : 'hand',
        }),
      )
    }
  }

  private open(station: StationId): StepState[] {
    return stationOf(this.way(), station).steps.filter(s => !s.done && s.step.asks?.length && !s.step.byHand)
  }

  private async answerAll(station: StationId): Promise<void> {
    for (let steps = this.open(station); steps.length; steps = this.open(station))
      await this.answer(station, steps[0]!.open[0]!)
  }

  /** Does so many of a station's steps that nothing holds: by answering, or by ticking. */
  private async doSteps(station: StationId, count: number): Promise<void> {
    const done = () => stationOf(this.way(), station).steps.filter(s => s.done).length
    while (done() < count) {
      const next = nextAt(this.way(), station)
      if (next?.hold?.kind === 'caution') await this.say('acknowledged', station, { caution: next.hold.caution.id })
      else if (!next || next.hold) return
      else if (next.open[0] && !next.step.byHand) await this.answer(station, next.open[0])
      else await this.say('step', station, { step: next.step.id })
    }
  }

  /** Photographs, marks and undoes what was recorded as found. */
  private async mark(record: DemoRecord): Promise<void> {
    const photos: string[] = []
    for (const { picture, title } of record.photos) {
      const { sha } = await send<{ sha: string }>(
        `${this.address}/api/photos?name=${picture}.jpg`,
        new Blob([new Uint8Array(await drawPicture(picture))]),
      )
      photos.push((await this.say('photo', record.station, { title, photo: sha })).id)
    }
    const marked = new Map<string, string>()
    const write = async ({ at, behind, undone: _, back: __, ...item }: DemoItem) => {
      const mark = at ? { photo: photos[at[0]]!, x: at[1], y: at[2] } : null
      marked.set(
        item.name,
        (
          await this.say('as-found', record.station, {
            item: { ...item, behind: behind ? marked.get(behind) : null, mark },
          })
        ).id,
      )
    }
    for (const item of record.items.filter(i => i.kind !== 'loose')) await write(item)
    const undone = record.items.filter(i => i.undone)
    for (const { name, undone: how } of undone)
      await this.say('undone', record.station, { of: marked.get(name), broke: how === true ? null : how })
    // A loose part is written down once it is in its bag, with the rest already off.
    for (const item of record.items.filter(i => i.kind === 'loose')) await write(item)
    for (const { name } of [...undone].reverse().filter(i => i.back))
      await this.say('put-back', record.station, { of: marked.get(name) })
  }

  /**
   * Proves it with a disk that may be lost and with a trusted one, closes it up, and proves it again. What a host
   * said is typed in.
   */
  private async prove(disk: string): Promise<void> {
    const { tag } = this.demo.drive
    const post = async (route: string, name: string, body: object) => {
      this.log.push(
        await send<LogEntry>(`${this.address}/api/drives/${this.id}/${route}`, {
          id: idOf(tag, name),
          at: this.at(),
          ...body,
        }),
      )
    }
    const trusted = (name: string) =>
      post('cross-reads', name, {
        disk: idOf('disk', disk),
        places: [0, 1].flatMap(head => ZONE_NAMES.map(zone => ({ head, zone, good: 390, sectors: 390 }))),
      })
    await post('write-tests', 'write', { remark: 'Office disk 12, on the harbour logger', result: PROOF_WRITTEN })
    await trusted('trusted')
    for (const step of ['prove.read', 'prove.change', 'prove.write', 'prove.close'])
      await this.say('step', 'prove', { step })
    await this.measure(-1)
    await this.find('prove', 'protect.both')
    await trusted('trusted closed')
    for (const [instrument, values] of PROOF_CALCULATORS) await post('sums', instrument, { instrument, values })
  }

  private pickup: SimulatedPickup | null = null

  /** Takes readings of the spindle: from one to another, negative counted from the last. */
  private async measure(from?: number, to?: number): Promise<void> {
    const { demo } = this
    if (!demo.spindle) return
    const { tag } = demo.drive
    const pickup = (this.pickup ??= new SimulatedPickup({ ...demo.spindle, seed: Number(tag.slice(-2)) }))
    const all = demo.readings ?? []
    for (const reading of all.slice(from, to)) {
      const i = all.indexOf(reading)
      if (reading.moved) {
        pickup.turnTrimmer(reading.moved)
        pickup.advanceTo(pickup.timeS + 2)
      }
      const since = pickup.timeS
      pickup.advanceTo(since + reading.seconds)
      const csv = reading.format === 'csv'
      const content = csv
        ? writeCsv([{ name: 'INDEX', edges: pickup.edges(since) }])
        : pickup.toVcd(`Index line of ${tag}, simulated.`, since)
      const name = `${tag.toLowerCase()}-${String(i + 1).padStart(2, '0')}.${csv ? 'csv' : 'vcd'}`
      const { sha } = await send<{ sha: string }>(`${this.address}/api/captures?name=${name}`, new Blob([content]))
      this.log.push(
        await send<LogEntry>(`${this.address}/api/drives/${this.id}/speed`, {
          id: idOf(tag, 'speed', i),
          at: this.at(),
          captureSha: sha,
          movedTurns: reading.moved,
          remark: reading.remark ?? '',
        }),
      )
    }
  }
}

if (process.argv[1]?.endsWith('seed.ts') && process.argv[2]) {
  await seed(process.argv[2])
  console.log(`  ${DEMO_DRIVES.length} drives.`)
}
