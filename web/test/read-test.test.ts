import { describe, expect, it } from 'vitest'
import { vcdChunks } from '../../core/src/signals/captures'
import { recordReading, soundDrive } from '../../core/src/simulator'
import { readTestInputSchema } from '../shared/read-test'
import { chunks, newDrive, recording, uuid, workshop } from './helpers'

const input = (n: number, more: object) =>
  readTestInputSchema.cast({ id: uuid(n), at: '2026-03-01T10:00:00Z', ...more })
const wire = () => {
  const sound = soundDrive('5.25in-48', 9)
  const r = recordReading(
    { ...sound, carriage: { ...sound.carriage, startCylinder: 0 } },
    { cylinders: [0, 1], turns: 1 },
  )
  return [...vcdChunks(r.channels, { tickNs: 10, durationS: r.durationS })].join('')
}

describe('a read test on the log', () => {
  it('is read by the server from the kept recording, once however often it is sent', async () => {
    const { drives, captures, readTest } = await workshop()
    const drive = drives.receive(newDrive(), '2026-03-01T09:00:00Z')
    const { sha } = await captures.keep('wire.vcd', chunks(wire(), 65_536))
    const entry = await readTest.measure(drive.id, input(1, { captureSha: sha, trusted: true }))
    expect(entry).toMatchObject({
      kind: 'measurement',
      station: 'prove',
      title: 'Read test: 36 of 36 sectors good',
      call: { kind: 'leave' },
    })
    expect(entry.data).toMatchObject({
      type: 'read-test',
      captureName: 'wire.vcd',
      simulated: null,
      read: { inverted: false, code: 'auto', trusted: true, mapping: { index: 'INDEX' } },
    })
    expect(entry.data!.type === 'read-test' && entry.data.bars.map(b => [b.cylinder, b.head, b.good])).toEqual([
      [0, 0, 9],
      [0, 1, 9],
      [1, 0, 9],
      [1, 1, 9],
    ])
    expect(await readTest.measure(drive.id, input(1, { captureSha: sha }))).toEqual(entry)
    expect(drives.log(drive.id).filter(e => e.kind === 'measurement')).toHaveLength(1)
  })
  it('reads with the mapping and the code that a person chose', async () => {
    const { drives, captures, readTest } = await workshop()
    const drive = drives.receive(newDrive(), '2026-03-01T09:00:00Z')
    const { sha } = await captures.keep('wire.vcd', chunks(wire(), 65_536))
    await expect(
      readTest.measure(drive.id, input(1, { captureSha: sha, mapping: { index: 'NOWHERE' } })),
    ).rejects.toThrow('there is no channel “NOWHERE”')
    await expect(readTest.measure(drive.id, input(2, { captureSha: sha, code: 'FM' }))).rejects.toThrow(
      'no sector was found',
    )
    expect(drives.log(drive.id).filter(e => e.kind === 'measurement')).toEqual([])
  })
  it('of the simulated drive is the same whenever it is read, and says that it is simulated', async () => {
    const { drives, readTest } = await workshop()
    const drive = drives.receive(newDrive({ mechanism: '3in' }), '2026-03-01T09:00:00Z')
    const simulated = { mechanism: '3in', story: 'groove' }
    const [a, b] = [
      await readTest.measure(drive.id, input(1, { simulated, station: 'align' })),
      await readTest.measure(drive.id, input(2, { simulated })),
    ]
    expect(a).toMatchObject({ station: 'align', call: { kind: 'unknown' }, data: { simulated, captureSha: null } })
    expect(b.data).toEqual(a.data)
    await expect(
      readTest.measure(drive.id, input(3, { simulated: { mechanism: '3in', story: 'haunted' } })),
    ).rejects.toThrow('there is no such simulated drive; expected a drive type and one of its stories')
    await expect(
      readTest.measure(drive.id, input(4, { simulated: { mechanism: 'toaster', story: 'sound' } })),
    ).rejects.toThrow('there is no such simulated drive; expected a drive type and one of its stories')
  })
  it('a recording without a read line, or one that is not kept, is refused in a sentence', async () => {
    const { drives, captures, readTest } = await workshop()
    const drive = drives.receive(newDrive(), '2026-03-01T09:00:00Z')
    const { sha } = await captures.keep('index.vcd', chunks(recording()))
    await expect(readTest.measure(drive.id, input(1, { captureSha: sha }))).rejects.toThrow(
      'index.vcd: no sector was found; expected a recording in which a host reads a disk',
    )
    await expect(readTest.measure(drive.id, input(2, { captureSha: 'a'.repeat(64) }))).rejects.toThrow(
      'there is no such recording',
    )
    expect(() =>
      readTestInputSchema.validateSync({ id: uuid(1), at: '2026-03-01T10:00:00Z', mapping: { warp: 'D0' } }),
    ).toThrow()
  })
})
