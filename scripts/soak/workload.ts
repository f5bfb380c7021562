import { createHash } from 'node:crypto'
import sharp from 'sharp'
import type { Acknowledged } from './acknowledged'
import type { DriveArchive } from './make-archives'

const DRIVE = '00000000-0000-4000-8000-00000000000d'

/**
 * What a busy workshop asks of its server until that is killed: entries all the time, and something large beside them.
 * What is answered for is noted; answers that the kill cut off are not.
 */
export class Workload {
  readonly faults: string[] = []
  private alive = true

  constructor(
    private readonly address: string,
    private readonly known: Acknowledged,
    private readonly random: () => number,
  ) {}

  /** Runs until the server is gone. */
  async run(round: string, archive: DriveArchive): Promise<void> {
    if (!(await this.post('/api/drives', { id: DRIVE, tag: 'K-1', mechanism: '3in' }))) return
    // A restore takes back what came after its backup: nothing is entered beside it.
    if (round === 'restore') return this.restore()
    await Promise.all([this.entries(), this.entries(), this.beside(round, archive)])
  }

  private async beside(round: string, archive: DriveArchive): Promise<void> {
    if (round === 'import') return this.import(archive)
    while (this.alive) {
      if (round === 'recordings') await this.recording()
      else if (round === 'photos') await this.photo()
      else if (round === 'backup') await this.backup()
      else if (round === 'erasing') await this.erase()
      else await this.get('/api/workshop/archive')
    }
  }

  private async entries(): Promise<void> {
    while (this.alive) await this.note()
  }

  private async note(): Promise<string | null> {
    const id = crypto.randomUUID()
    const entry = { id, at: new Date().toISOString(), kind: 'note', station: 'look', title: `Soak ${id}` }
    if (!(await this.post(`/api/drives/${DRIVE}/log`, entry))) return null
    this.known.entries.add(id)
    return id
  }

  private async recording(): Promise<void> {
    const body = `$comment ${crypto.randomUUID()} $end\n`.repeat(500 + Math.floor(this.random() * 8000))
    const kept = await this.send('/api/captures?name=soak.vcd', body)
    if (!kept) return
    if ((kept as { sha: string }).sha !== createHash('sha256').update(body).digest('hex'))
      this.faults.push('another sha')
    this.known.captures.add((kept as { sha: string }).sha)
  }

  private async photo(): Promise<void> {
    const [r, g, b] = [this.random(), this.random(), this.random()].map(x => Math.floor(x * 255))
    const picture = await sharp({
      create: {
        width: 300,
        height: 200,
        channels: 3,
        background: { r: r!, g: g!, b: b! },
        noise: noise(this.random()),
      },
    })
      .png()
      .toBuffer()
    const kept = await this.send('/api/photos?name=soak.png', picture)
    if (kept) this.known.photos.add((kept as { sha: string }).sha)
  }

  private async backup(): Promise<string | null> {
    const made = (await this.post('/api/workshop/backups', {})) as { name: string } | null
    if (made) this.known.backups.add(made.name)
    return made?.name ?? null
  }

  private async restore(): Promise<void> {
    for (let n = 0; n < 5; n++) await this.note()
    const name = await this.backup()
    while (name && this.alive) await this.post('/api/workshop/restore', { name })
  }

  private async import({ drive, entries, bytes }: DriveArchive): Promise<void> {
    while (this.alive) if (await this.send('/api/workshop/import', bytes)) this.known.imported.set(drive, entries)
  }

  private async erase(): Promise<void> {
    const entry = await this.note()
    if (!entry) return
    const id = crypto.randomUUID()
    const body = { id, ownerWords: false, words: [entry], photos: [] }
    if (!(await this.post(`/api/drives/${DRIVE}/erasures`, body))) return
    this.known.erased.add(entry)
    this.known.entries.add(id)
  }

  private post(path: string, body: object): Promise<unknown> {
    return this.ask(path, { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } })
  }
  private send(path: string, body: string | Uint8Array): Promise<unknown> {
    return this.ask(path, { body: body as BodyInit })
  }
  private async get(path: string): Promise<void> {
    await fetch(this.address + path)
      .then(a => a.arrayBuffer())
      .catch(() => {
        this.alive = false
      })
  }

  /** What was answered; null where the server was gone before it answered. */
  private async ask(path: string, init: RequestInit): Promise<unknown> {
    try {
      const answer = await fetch(this.address + path, { method: 'POST', ...init })
      const said: unknown = await answer.json()
      if (answer.ok) return said
      if (answer.status >= 500) this.faults.push(`${path} → ${answer.status} ${JSON.stringify(said).slice(0, 200)}`)
    } catch {
      this.alive = false
    }
    return null
  }
}

const noise = (mean: number) => ({ type: 'gaussian' as const, mean: 100 + mean * 50, sigma: 30 })
