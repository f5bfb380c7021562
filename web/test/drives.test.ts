import { describe, expect, it } from 'vitest'
import { driveChangeSchema, driveSchema } from '../shared/drive-facts'
import { entrySchema } from '../shared/log-input'
import { newDrive, note, uuid, workshop } from './helpers'

describe('drives and their logs', () => {
  it('receives a drive once, with its first entry, and refuses a tag twice', async () => {
    const { drives } = await workshop()
    const drive = drives.receive(newDrive({ ownerWords: 'Grinds.' }), '2026-03-01T09:00:00Z', uuid(1))
    expect(drives.receive(newDrive(), '2026-03-01T09:00:00Z', uuid(1))).toEqual(drive)
    expect(() => drives.receive(newDrive(), '2026-03-01T09:00:00Z')).toThrow(
      'tag: the tag SK-05 is on another drive; expected a tag of its own.',
    )
    expect(drives.log(drive.id)).toMatchObject([{ kind: 'received', detail: 'Grinds.' }])
  })

  it('adds an entry once however often it is sent', async () => {
    const { drives } = await workshop()
    const { id } = drives.receive(newDrive(), '2026-03-01T09:00:00Z')
    const first = drives.append(note(id, uuid(7)))
    expect(drives.append(note(id, uuid(7), { title: 'sent again' }))).toEqual(first)
    expect(drives.log(id)).toHaveLength(2)
  })

  it('lets nobody change or delete an entry, not even by SQL', async () => {
    const { drives, db } = await workshop()
    const { id } = drives.receive(newDrive(), '2026-03-01T09:00:00Z')
    drives.append(note(id, uuid(7)))
    expect(() => db.$client.exec("update log_entries set title = 'x'")).toThrow('log entries are only ever added')
    expect(() => db.$client.exec('delete from log_entries')).toThrow('log entries are only ever added')
    expect(() => db.$client.exec('delete from drives')).toThrow(/FOREIGN KEY/)
  })

  it('takes back what may be taken back', async () => {
    const { drives } = await workshop()
    const a = drives.receive(newDrive(), '2026-03-01T09:00:00Z')
    const b = drives.receive(newDrive({ tag: 'SK-06' }), '2026-03-01T09:00:00Z')
    const entry = drives.append(note(a.id, uuid(7)))
    expect(() => drives.append(note(b.id, uuid(8), { kind: 'taken-back', takesBack: entry.id }))).toThrow(
      'cannot be taken back',
    )
    expect(() =>
      drives.append(note(a.id, uuid(8), { kind: 'taken-back', takesBack: drives.log(a.id)[0]!.id })),
    ).toThrow('cannot be taken back')
    drives.append(note(a.id, uuid(9), { kind: 'taken-back', takesBack: entry.id }))
    expect(drives.log(a.id)).toHaveLength(3)
  })

  it('corrects facts and says which on the log', async () => {
    const { drives } = await workshop()
    const { id } = drives.receive(newDrive(), '2026-03-01T09:00:00Z')
    drives.change(id, { maker: 'Fennick', hasTrimmer: true, pulleys: { motorPulleyMm: 9, flywheelMm: 62 } })
    drives.change(id, { maker: 'Fennick' })
    expect(drives.get(id)).toMatchObject({ maker: 'Fennick', hasTrimmer: true, pulleys: { flywheelMm: 62 } })
    expect(
      drives
        .log(id)
        .filter(e => e.kind === 'facts')
        .map(e => e.detail),
    ).toEqual(['maker: Fennick; trimmer: yes; pulleys: motor 9 mm, flywheel 62 mm'])
    expect(() => drives.get(uuid(99))).toThrow('There is no such drive on the bench.')
  })

  it('refuses a nominal speed that its kind does not have', async () => {
    const { drives } = await workshop()
    expect(() => drives.receive(newDrive({ nominalRpm: 900 }), '2026-03-01T09:00:00Z')).toThrow(
      'nominalRpm: 900 r/min is no speed of a 5.25-inch, 48 tpi drive; expected 300 r/min.',
    )
    const { id } = drives.receive(newDrive({ nominalRpm: 300 }), '2026-03-01T09:00:00Z')
    expect(() => drives.change(id, { nominalRpm: 900 })).toThrow('900 r/min is no speed')
    expect(drives.get(id).nominalRpm).toBe(300)
  })

  it('two who add at once both keep what they said, in one order that stays', async () => {
    const { drives } = await workshop()
    const { id } = drives.receive(newDrive(), '2026-03-01T09:00:00Z')
    // The second tablet's clock is behind: the order is that of arrival, for both.
    drives.append(note(id, uuid(7), { at: '2026-03-01T10:05:00Z', title: 'first tablet' }))
    const seen = drives.log(id).at(-1)!.seq
    drives.append(note(id, uuid(8), { at: '2026-03-01T10:01:00Z', title: 'second tablet' }))
    expect(drives.log(id, seen).map(e => e.title)).toEqual(['second tablet'])
    expect(
      drives
        .log(id)
        .map(e => e.title)
        .slice(1),
    ).toEqual(['first tablet', 'second tablet'])
  })

  it('shows every drive at its station on the bench', async () => {
    const { drives, bench: benches } = await workshop()
    const { id } = drives.receive(newDrive(), '2026-03-01T09:00:00Z')
    drives.append(note(id, uuid(1), { kind: 'station', station: 'receive' }))
    const bench = await benches.at(Date.parse('2026-03-01T12:00:00Z'))
    expect(bench.lines).toMatchObject([{ current: 'look', done: ['receive'], call: null, outcome: null, rpm: null }])
    expect(bench.next).toMatchObject([{ tag: 'SK-05', title: 'Look at the belt' }])
  })

  it('keeps everything over a restart', async () => {
    const { root, drives, db } = await workshop()
    const { id } = drives.receive(newDrive(), '2026-03-01T09:00:00Z')
    drives.append(note(id, uuid(7)))
    const before = drives.log(id)
    db.$client.close()
    const again = await workshop(root)
    expect(again.drives.log(id)).toEqual(before)
    expect(again.db.$client.pragma('synchronous', { simple: true })).toBe(2)
    expect(again.db.$client.pragma('journal_mode', { simple: true })).toBe('wal')
  })
})

describe('what comes in is checked once, with sentences', () => {
  it.each<[object, string]>([
    [{ tag: '', mechanism: '3in' }, 'Give it a tag, such as SK-21.'],
    [{ tag: 'a b', mechanism: '3in' }, 'A tag is made of letters, digits and hyphens.'],
    [{ tag: 'SK-1', mechanism: '9in' }, 'Choose the drive type.'],
    [{ tag: 'SK-1', mechanism: '3in', pulleys: { flywheelMm: 60 } }, 'Give the motor pulley’s diameter.'],
    [{ tag: 'SK-1', mechanism: '3in', account: { hours: -2, matters: false } }, 'Hours so far is 0 or more.'],
    [{ tag: 'SK-1', mechanism: '3in', account: { chance: 1.2, matters: false } }, 'A chance is at most 100 %.'],
    [
      { tag: 'SK-1', mechanism: '3in', account: { working: 'plenty', matters: false } },
      'The worth working is a number.',
    ],
    [{ tag: 'SK-1', mechanism: '3in', features: { heads: 3 } }, 'A drive has one head or two.'],
    [
      { tag: 'SK-1', mechanism: '3in', pulleys: { motorPulleyMm: -1, flywheelMm: 60 } },
      'The motor pulley is above 0 mm.',
    ],
  ])('%j: %s', async (input, sentence) => {
    await expect(driveSchema.validate(input, { abortEarly: false })).rejects.toMatchObject({ errors: [sentence] })
  })

  it('a change may name one fact and leaves the rest unsaid', async () => {
    expect(await driveChangeSchema.validate({ maker: ' Orlop ' })).toEqual({ maker: 'Orlop' })
  })

  it('an entry needs a UUID and a time', async () => {
    await expect(
      entrySchema.validate({ id: 'x', at: 'now', kind: 'note', station: 'look', title: '' }, { abortEarly: false }),
    ).rejects.toMatchObject({
      errors: expect.arrayContaining(['An entry’s id is a UUID.', 'A time is ISO 8601 in UTC.']),
    })
  })
})
