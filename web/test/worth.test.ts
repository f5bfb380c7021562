import { describe, expect, it } from 'vitest'
import { readingEntry } from '../../core/src/bench/entries'
import { newDrive, say as sayOn, uuid, workshop } from './helpers'

const at = (minute: number, day = 1) =>
  new Date(Date.UTC(2026, 2, day, 10) + minute * 60_000).toISOString().replace('.000Z', 'Z')
const [ONE, TWO] = [uuid(1), uuid(2)]

async function bench() {
  const w = await workshop()
  const model = { mechanism: '3.5in', maker: 'Fennick', model: '40A' } as const
  w.drives.receive(newDrive({ tag: 'SK-31', ...model }), at(0), ONE)
  let n = 500
  const say = (driveId: string, when: string, input: object) =>
    sayOn(w, driveId, { id: uuid(n++), at: when, station: 'clean', title: 'x', ...input })
  const read = (driveId: string, when: string, key: string, value: string) =>
    w.drives.append(readingEntry({ id: uuid(n++), at: when, remark: '', key, value }, w.drives.get(driveId)))
  return { ...w, model, say, read, facts: (id: string) => w.worth.facts(w.drives.get(id), Date.parse(at(0, 20))) }
}

describe('what a drive takes, by the logs of the workshop', () => {
  it('gives each minute to one drive, and leaves out the night', async () => {
    const w = await bench()
    w.drives.receive(newDrive({ tag: 'SK-32', ...w.model }), at(10), TWO)
    w.say(ONE, at(30), { kind: 'note' })
    w.say(TWO, at(40), { kind: 'note' })
    w.say(ONE, at(0, 2), { kind: 'note' })
    // By hand: 5 to begin, 20 after the other one came in, 5 the next day.
    expect((await w.facts(ONE)).spent).toMatchObject({ minutes: 30, sittings: 2 })
    expect((await w.facts(TWO)).spent).toMatchObject({ minutes: 20, sittings: 1 })
  })

  it('knows how drives of the type ended, and what the same fault took', async () => {
    const w = await bench()
    expect(await w.facts(ONE)).toMatchObject({ endings: { working: 0, all: 0 }, outlook: null, repairs: [] })
    w.read(ONE, at(5), 'complaint.reads-nothing', 'seen')
    w.say(ONE, at(10), { kind: 'finding', finding: { finding: 'headclean.brown' } })
    w.read(ONE, at(15), 'after.clean.heads', 'cures')
    w.read(ONE, at(20), 'complaint.reads-nothing', 'cured')
    w.say(ONE, at(30), { kind: 'released', station: 'release', outcome: 'released', detail: 'Reads all disks again.' })
    w.drives.receive(newDrive({ tag: 'SK-32', ...w.model }), at(0, 3), TWO)
    w.read(TWO, at(5, 3), 'complaint.reads-nothing', 'seen')
    w.say(TWO, at(6, 3), { kind: 'finding', finding: { finding: 'headclean.brown' } })
    const facts = await w.facts(TWO)
    expect(facts.endings).toEqual({ working: 1, all: 1 })
    expect(facts.pace).toMatchObject({ drives: 1, taken: 35 })
    expect(facts.pace!.expected).toBeGreaterThan(0)
    expect(facts.outlook?.likely?.fault).toMatch(/-head\.dirty$/)
    // From arrival to the cure: 5 to begin and 20.
    expect(facts.repairs).toEqual([{ tag: 'SK-31', minutes: 25 }])
  })
})
