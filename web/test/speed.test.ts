import { readdirSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { buildCertificate } from '../../core/src/release'
import { certificateDocument } from '../server/services/certificate-pdf'
import { speedInputSchema } from '../shared/log-input'
import { workshopSchema } from '../shared/workshop'
import { defaultWorkshop } from '../shared/workshop-defaults'
import { WorkshopService } from '../server/services/workshop'
import { chunks, newDrive, recording, uuid, workshop } from './helpers'

const settings = defaultWorkshop()
const input = (n: number, captureSha: string, more: object = {}) =>
  speedInputSchema.cast({ id: uuid(n), at: '2026-03-01T10:00:00Z', captureSha, ...more })

describe('recordings are kept by content', () => {
  it('once, whatever their names, and nothing temporary stays', async () => {
    const { captures, folder } = await workshop()
    const first = await captures.keep('a.vcd', chunks(recording()))
    expect(await captures.keep('b.vcd', chunks(recording(), 77))).toEqual(first)
    expect(readdirSync(folder.captures)).toEqual([first.sha])
    expect(captures.count()).toEqual({ recordings: 1, recordingBytes: first.bytes })
  })

  it('not at all when empty or broken off', async () => {
    const { captures, folder } = await workshop()
    await expect(captures.keep('a.vcd', chunks(''))).rejects.toThrow('a.vcd: the recording is empty')
    const broken = (async function* () {
      yield Buffer.from('$timescale')
      throw new Error('connection lost')
    })()
    await expect(captures.keep('a.vcd', broken)).rejects.toThrow('connection lost')
    expect(readdirSync(folder.captures)).toEqual([])
    expect(() => captures.find('0'.repeat(64))).toThrow('there is no such recording')
  })
})

describe('speed on the log', () => {
  it('is judged by the server from the kept recording, learns the trimmer and reads again to the same', async () => {
    const { drives, captures, speed } = await workshop()
    const drive = drives.receive(newDrive({ hasTrimmer: true }), '2026-03-01T09:00:00Z')
    const { sha } = await captures.keep('first.vcd', chunks(recording({ rpm: 317.5 })))
    const first = await speed.measure(drive.id, input(1, sha), settings)
    expect(first.call).toMatchObject({ kind: 'nudge', next: expect.stringContaining('either way') })
    expect(await speed.measure(drive.id, input(1, sha), settings)).toEqual(first)

    const { sha: second } = await captures.keep('second.vcd', chunks(recording({ rpm: 313.4 })))
    const entry = await speed.measure(drive.id, input(2, second, { movedTurns: -1 / 8, remark: 'Warm' }), settings)
    expect(entry.detail).toBe('after an eighth of a turn to the left. Warm')
    expect(entry.call!.next).toBe('Turn the trimmer about three eighths of a turn to the left, then measure again.')
    expect(entry.data).toMatchObject({
      type: 'speed',
      captureSha: second,
      channel: 'INDEX',
      movedTurns: -1 / 8,
    })
    expect(entry.evidence).toEqual({ source: 'recording', by: 'Speed', recording: second })
    const again = await speed.again(entry, settings)
    expect(again.measurement!.rpm.mean).toBe((entry.data as { rpm: number }).rpm)
    expect(drives.log(drive.id)).toHaveLength(3)
  })

  it('follows the workshop’s school', async () => {
    const { drives, captures, speed } = await workshop()
    const drive = drives.receive(newDrive({ hasTrimmer: true }), '2026-03-01T09:00:00Z')
    const { sha } = await captures.keep('a.vcd', chunks(recording({ rpm: 303 })))
    expect((await speed.measure(drive.id, input(1, sha), settings)).call!.kind).toBe('leave')
    expect((await speed.measure(drive.id, input(2, sha), { ...settings, speedSchool: 'dial-in' })).call!.kind).toBe(
      'nudge',
    )
  })

  it('puts nothing on the log when the recording cannot be used', async () => {
    const { drives, captures, speed } = await workshop()
    const drive = drives.receive(newDrive(), '2026-03-01T09:00:00Z')
    const { sha } = await captures.keep('photo.vcd', chunks(Buffer.from([0xff, 0xd8, 0xff, 0xe0, 1, 2, 3])))
    await expect(speed.measure(drive.id, input(1, sha), settings)).rejects.toThrow(
      'photo.vcd, byte 0: this looks like a JPEG picture',
    )
    await expect(speed.measure(drive.id, input(1, sha, { channel: 'STEP' }), settings)).rejects.toThrow()
    await expect(speed.measure(uuid(5), input(1, sha), settings)).rejects.toThrow('There is no such drive')
    expect(drives.log(drive.id)).toHaveLength(1)
  })

  it('goes into the certificate’s document', async () => {
    const { drives, captures, speed } = await workshop()
    const drive = drives.receive(newDrive({ maker: 'Fennick' }), '2026-03-01T09:00:00Z')
    const { sha } = await captures.keep('a.vcd', chunks(recording({ rpm: 300.1 })))
    await speed.measure(drive.id, input(1, sha), settings)
    const text = JSON.stringify(
      certificateDocument(buildCertificate(drive, drives.log(drive.id), 'Skerrow', '2026-03-02T00:00:00Z')),
    )
    for (const words of [
      'Drive SK-05',
      'Draft: the drive has not been released',
      'Leave it',
      sha.slice(0, 16),
      'a note is no proof',
    ])
      expect(text).toContain(words)
  })
})

describe('workshop settings', () => {
  it('are kept whole, and an older version’s are filled up', async () => {
    const { db } = await workshop()
    const service = new WorkshopService(db)
    expect(service.get()).toEqual(settings)
    service.put({ ...settings, mainsHz: 60 })
    expect(service.get().mainsHz).toBe(60)
    db.$client.prepare('update workshop set settings = ?').run(JSON.stringify({ name: 'Old', forgotten: 1 }))
    expect(service.get()).toEqual({ ...settings, name: 'Old' })
    await expect(workshopSchema.validate({ ...settings, mainsHz: 55 })).rejects.toThrow(
      'Mains frequency is 50 or 60 Hz.',
    )
  })
})
