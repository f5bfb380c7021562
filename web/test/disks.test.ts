import { describe, expect, it } from 'vitest'
import { ParameterError } from '../../core/src/base/errors'
import { diskEventSchema, diskSchema, type DiskInput } from '../shared/disks'
import { readTestInputSchema } from '../shared/read-test'
import { sweepInputSchema } from '../shared/sweep'
import { newDrive, uuid, workshop } from './helpers'

const NOW = '2026-03-01T10:00:00Z'
const disk = (part: object = {}) =>
  diskSchema.cast({
    name: 'Harbour A',
    mechanism: '3.5in',
    writer: 'an identical drive',
    writtenAt: '2026-01-31',
    proof: 'instrument',
    ...part,
  }) as DiskInput
const say = (n: number, kind: string, detail = '') => diskEventSchema.cast({ id: uuid(n), at: NOW, kind, detail })

describe('reference disks', () => {
  it('stand on the shelf with their chain; the drive that wrote one has it on its log', async () => {
    const { drives, disks } = await workshop()
    drives.receive(newDrive({ tag: 'SK-15' }), NOW, uuid(1))
    disks.put(uuid(10), disk({ writtenBy: uuid(1), writer: '' }), NOW)
    disks.put(uuid(11), disk({ name: 'Copy', proof: 'disk', provedBy: uuid(10) }), '2026-03-02T10:00:00Z')
    const { standings } = disks.view()
    expect(standings.map(s => [s.disk.name, s.rests, s.trusted, s.wroteIt, s.chain.length])).toEqual([
      ['Harbour A', 'standard', true, 'SK-15', 1],
      ['Copy', 'standard', true, 'an identical drive', 2],
    ])
    expect(drives.log(uuid(1)).at(-1)!.title).toBe('Wrote the reference disk “Harbour A”')
    // Correcting it does not write it again.
    disks.put(uuid(10), disk({ name: 'Harbour A1', writtenBy: uuid(1), writer: '' }), NOW)
    expect(drives.log(uuid(1))).toHaveLength(2)
    expect(disks.trusts(uuid(11))).toBe(true)
    expect(disks.trusts(uuid(99))).toBeNull()
  })
  it('what is said of one is only ever added, once for each id', async () => {
    const { db, disks } = await workshop()
    disks.put(uuid(10), disk(), NOW)
    disks.say(uuid(10), say(20, 'retired', 'a groove'))
    disks.say(uuid(10), say(20, 'back'))
    expect(disks.view().standings[0]).toMatchObject({ retired: true, trusted: false })
    expect(() => db.run("UPDATE disk_events SET kind = 'back'")).toThrow(/Failed to run|only ever added/)
    disks.say(uuid(10), say(21, 'back'))
    expect(disks.trusts(uuid(10))).toBe(true)
    expect(() => disks.say(uuid(77), say(22, 'note'))).toThrow(/no such disk/)
  })
  it('readings come from the logs of all drives, those taken back left out', async () => {
    const { drives, disks, readTest } = await workshop()
    drives.receive(newDrive({ tag: 'SK-09', mechanism: '3in' }), NOW, uuid(1))
    disks.put(uuid(10), disk({ mechanism: '3in' }), NOW)
    const { seq, ...entry } = await readTest.measure(
      uuid(1),
      readTestInputSchema.cast({
        id: uuid(30),
        at: NOW,
        simulated: { mechanism: '3in', story: 'sound' },
        disk: uuid(10),
      }),
    )
    expect(seq).toBeGreaterThan(1)
    expect(disks.view().standings[0]).toMatchObject({ uses: 1, first: null })
    drives.append({
      ...entry,
      id: uuid(31),
      kind: 'taken-back',
      data: null,
      call: null,
      observations: [],
      takesBack: entry.id,
    })
    expect(disks.view().standings[0]!.uses).toBe(0)
  })
  it.each([
    [{ writer: '' }, /a drive was verified that is not named/],
    [{ proof: 'disk' }, /the disk that its writer was verified by is left out/],
    [{ proof: 'disk', provedBy: uuid(10) }, /cannot verify its own writer/],
  ])('%j is refused with its field', async (part, says) => {
    const { disks } = await workshop()
    expect(() => disks.put(uuid(10), disk(part), NOW)).toThrow(says)
  })
  it('a day is a day, and a proof is one of four', () => {
    expect(() => diskSchema.validateSync({ ...disk(), writtenAt: 'spring' })).toThrow(/a day, such as/)
    expect(() => diskSchema.validateSync({ ...disk(), proof: 'hope' })).toThrow()
  })
})

describe('sweeps on the log', () => {
  const rows = [-7, -4.5, -4.2, -3.9, 0, 0.4, 0.9, 3].map(position => ({
    position,
    lower: { good: position > -4.3 && position < 0.7 ? 11 : 0, expected: 11 },
  }))
  const input = (part: object = {}) =>
    sweepInputSchema.validateSync({
      id: uuid(40),
      at: NOW,
      adjuster: 'upper',
      scale: 'marks',
      travel: [-10, 10],
      stood: 0,
      rows,
      ...part,
    })
  async function ready() {
    const w = await workshop()
    w.drives.receive(newDrive({ tag: 'SK-09', mechanism: '3.5in' }), NOW, uuid(1))
    return w
  }
  const prepare = (w: Awaited<ReturnType<typeof ready>>) => {
    const base = { driveId: uuid(1), at: NOW, detail: '', observations: [], evidence: null, takesBack: null }
    w.drives.append({
      ...base,
      id: uuid(50),
      kind: 'finding',
      station: 'clean',
      title: 'Clean',
      call: null,
      data: { type: 'finding', finding: 'headclean.clean', place: null },
    })
    w.drives.append({
      ...base,
      id: uuid(51),
      kind: 'measurement',
      station: 'speed',
      title: '300',
      call: { kind: 'leave', reasons: ['Right.'], next: 'Continue with the next step.' },
      data: {
        type: 'speed',
        rpm: 300,
        uncertainty: 0.1,
        movedTurns: 0,
        captureSha: '',
        captureName: '',
        channel: '',
        pulsesPerTurn: 1,
        pulsesGiven: false,
        evenMarks: false,
        read: {},
        nominalRpm: 300,
      },
    })
  }
  it('are refused before cleaning and speed, and nothing is put on the log', async () => {
    const w = await ready()
    expect(() => w.sweeps.keep(uuid(1), input())).toThrow(ParameterError)
    expect(() => w.sweeps.keep(uuid(1), input())).toThrow(/before a sweep: the heads were not cleaned yet/)
    expect(w.drives.log(uuid(1))).toHaveLength(1)
  })
  it('are worked out by the server, whatever the browser thinks, once for each id', async () => {
    const w = await ready()
    prepare(w)
    const entry = w.sweeps.keep(uuid(1), input())
    expect(entry).toMatchObject({
      title: 'Sweep of the upper head: 8 positions',
      station: 'align',
      call: { kind: 'nudge' },
      data: { type: 'sweep', adjuster: 'upper' },
    })
    expect(entry.detail).toContain('No surface is on the log.')
    expect(w.sweeps.keep(uuid(1), input({ scale: '°' })).seq).toBe(entry.seq)
    expect(w.drives.log(uuid(1))).toHaveLength(4)
  })
  it.each([
    [{ travel: [10, -10] }, /from a lower mark to a higher/],
    [{ rows: [] }, /Nothing was tried/],
    [{ adjuster: 'belt' }, /./],
    [{ rows: [{ position: 1, lower: { good: 3.5, expected: 11 } }] }, /integer/],
  ])('%j is refused', (part, says) => {
    expect(() => input(part)).toThrow(says)
  })
  it('a count that cannot be is named by its row', async () => {
    const w = await ready()
    prepare(w)
    expect(() =>
      w.sweeps.keep(uuid(1), input({ rows: [...rows, { position: 5, lower: { good: 12, expected: 11 } }] })),
    ).toThrow(/row 9: lower head read 12 sectors of 11/)
  })
})
