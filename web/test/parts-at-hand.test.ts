import { afterEach, describe, expect, it, vi } from 'vitest'
import { partUseSchema } from '../shared/parts'
import { newDrive, say as sayOn, uuid, workshop } from './helpers'

const NOW = '2026-03-01T10:00:00Z'
const BORROWER = uuid(9999)

/** A workshop with so many donors, each of a motor and a carriage, and a drive that is worked on. */
async function stripped(donors: number) {
  const w = await workshop()
  let n = 500
  const say = (driveId: string, input: object) =>
    sayOn(w, driveId, { id: uuid(n++), at: NOW, station: 'look', title: 'x', ...input })
  w.drives.receive(newDrive({ tag: 'SK-99', maker: 'Fennick', model: '40A' }), NOW, BORROWER)
  const strip = (k: number) => {
    w.drives.receive(newDrive({ tag: `SK-0${k}`, maker: 'Fennick', model: '40A' }), NOW, uuid(k))
    const left = { kind: 'released', station: 'release', outcome: 'parts', parts: ['motor', 'carriage'] }
    return say(uuid(k), left).id
  }
  const releases = Array.from({ length: donors }, (_, i) => strip(i + 1))
  const fit = (release: string, part: string) =>
    w.fitting.fit(BORROWER, partUseSchema.cast({ id: uuid(n++), at: NOW, release, part }))
  const motors = async () => (await w.places.ready()).all.filter(p => p.part === 'motor')
  const tags = async () => (await motors()).map(p => p.where)
  return { ...w, say, strip, releases, fit, motors, tags }
}

afterEach(() => vi.restoreAllMocks())

describe('parts at hand', () => {
  it('follow what is fitted and taken back; only the donor that it came from is worked out again', async () => {
    const w = await stripped(3)
    const [, second, first] = await w.motors()
    expect(await w.tags()).toEqual(['SK-03', 'SK-02', 'SK-01'])
    const fitted = w.fit(w.releases[1]!, 'motor')
    expect(await w.tags()).toEqual(['SK-03', 'SK-01'])
    expect((await w.motors())[1]).toBe(first)
    w.say(BORROWER, { kind: 'taken-back', takesBack: fitted.id })
    expect(await w.tags()).toEqual(['SK-03', 'SK-02', 'SK-01'])
    expect((await w.motors())[1]).toEqual(second)
  })

  it('go by what a drive is now', async () => {
    const w = await stripped(2)
    const found = async (words: string) => (await w.wanting.search(words, '', Date.parse(NOW))).total
    expect(await found('motor staithe')).toBe(0)
    w.drives.change(uuid(1), { maker: 'Staithe' })
    expect(await found('motor staithe')).toBeGreaterThan(0)
  })

  it('hold what was entered while they were worked out for somebody else', async () => {
    const w = await stripped(2)
    const before = w.tags()
    w.strip(3)
    const after = w.tags()
    expect(await before).toEqual(expect.arrayContaining(['SK-02', 'SK-01']))
    expect(await after).toEqual(['SK-03', 'SK-02', 'SK-01'])
  })

  it('lose a donor whose logs were forgotten meanwhile', async () => {
    const w = await stripped(2)
    const asked = w.tags()
    w.say(uuid(2), { kind: 'taken-back', takesBack: w.releases[1] })
    w.places.forget()
    await asked
    expect(await w.tags()).toEqual(['SK-01'])
  })

  it('are read anew where everything was forgotten half-way', { timeout: 60_000 }, async () => {
    const donors = 205
    const w = await stripped(donors)
    let now = 0
    vi.spyOn(performance, 'now').mockImplementation(() => (now += 1000))
    const asked = w.tags()
    // More than is read at once: here is the first break.
    await Promise.resolve()
    w.places.forget()
    await asked
    expect(await w.tags()).toHaveLength(donors)
  })

  it('let others in while they are worked out', async () => {
    const w = await stripped(9)
    let now = 0
    // Each look at the clock finds that others have waited long enough.
    vi.spyOn(performance, 'now').mockImplementation(() => (now += 1000))
    let others = 0
    let ready = false
    const other = () => {
      others++
      if (!ready) setImmediate(other)
    }
    setImmediate(other)
    expect((await w.places.ready()).all.length).toBeGreaterThan(9)
    ready = true
    expect(others).toBeGreaterThanOrEqual(9)
  })
})
