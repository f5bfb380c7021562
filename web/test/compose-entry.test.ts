import { describe, expect, it } from 'vitest'
import { composeEntry } from '../../core/src/bench/entries'
import { entrySchema, type EntryInput } from '../shared/log-input'
import { newDrive, uuid, workshop } from './helpers'

/** A drive on the bench, and a way to say things to its log as the route does. */
async function bench(mechanism = '5.25in-48') {
  const { drives } = await workshop()
  const drive = drives.receive(newDrive({ mechanism }), '2026-03-01T09:00:00Z')
  let n = 10
  const say = (input: Partial<EntryInput> & Pick<EntryInput, 'kind'>) => {
    n++
    const whole = entrySchema.validateSync({ id: uuid(n), at: `2026-03-01T10:${n}:00Z`, station: 'look', ...input })
    return drives.append(
      composeEntry(
        whole,
        drive,
        () => drives.log(drive.id),
        sha => {
          throw new Error(`no photo ${sha}`)
        },
      ),
    )
  }
  const find = (finding: string, place: string | null = null) => say({ kind: 'finding', finding: { finding, place } })
  return { drives, drive, say, find }
}

describe('what is said to the log', () => {
  it('a finding is worded by the vocabulary, with its observation and its call', async () => {
    const { find, say } = await bench()
    expect(find('lacquer.broken', 'upper head screws')).toMatchObject({
      title: 'Lacquer: broken, upper head screws',
      call: { kind: 'unknown', reasons: ['Someone moved it; alignment will need proof.'] },
      observations: [{ key: 'finding.lacquer', value: 'Broken' }],
      data: { type: 'finding', finding: 'lacquer.broken', place: 'upper head screws' },
    })
    expect(say({ kind: 'finding', finding: { question: 'shorts', value: 3, place: null } })).toMatchObject({
      title: 'Supply pins: a short (3 Ω)',
      call: { kind: 'stop' },
    })
  })

  it('a drive with a gate that a finding keeps closed is released with a written reason only', async () => {
    const { say, find } = await bench()
    find('heads.torn')
    const release = (detail: string) =>
      say({ kind: 'released', station: 'release', title: 'Released', outcome: 'released', detail })
    expect(() => release('')).toThrow(/detail: the safety gate “.*” is closed: .*; expected a written reason/)
    expect(release('Upper head is off on purpose; it reads one side.')).toMatchObject({
      detail: 'Upper head is off on purpose; it reads one side.',
    })
  })
  it('a drive that nobody looked at, and one whose protection always blocks, need their reason too', async () => {
    const { say, find } = await bench()
    const release = (detail = '') =>
      say({ kind: 'released', station: 'release', title: 'Released', outcome: 'released', detail })
    expect(() => release()).toThrow(/the safety gate “First power” is closed/)
    say({ kind: 'override', title: 'x', gate: 'first-power', detail: 'It ran in its own machine all week.' })
    say({ kind: 'override', title: 'x', gate: 'insert-disk', detail: 'It ran in its own machine all week.' })
    say({ kind: 'override', title: 'x', gate: 'insert-good-disk', detail: 'It ran in its own machine all week.' })
    say({ kind: 'override', title: 'x', gate: 'close-up', detail: 'It was never opened, nothing was undone.' })
    expect(release().kind).toBe('released')
    find('protect.always')
    expect(() => release()).toThrow(/write protect: it always blocks/)
  })

  it('a step behind a closed gate is refused, with what is missing; with a reason it is passed, and the reason kept', async () => {
    const { say, find } = await bench()
    find('belt.goo')
    const power = () => say({ kind: 'step', station: 'first-power', step: 'first-power.bare' })
    expect(power).toThrow(
      /step: the safety gate “First power” is closed: Belt: sticky, decayed\. Power would wind the decayed rubber round the spindle\. .*Still needed: the capacitors/,
    )
    expect(() => say({ kind: 'station', station: 'first-power' })).toThrow(
      /“Power it without a disk” is not done, and the safety gate “First power” is closed/,
    )
    expect(() => say({ kind: 'override', gate: 'first-power', detail: 'because' })).toThrow(
      'overriding a closed safety gate needs a written reason; expected at least 12 characters; the certificate carries it.',
    )
    const passed = say({ kind: 'override', gate: 'first-power', detail: 'Motor unplugged; only the board is powered.' })
    expect(passed).toMatchObject({
      title: 'Safety gate overridden: first power',
      detail: 'Motor unplugged; only the board is powered.',
      data: { gate: 'first-power', missing: expect.arrayContaining(['power.belt', 'power.caps']) },
    })
    expect(power()).toMatchObject({ title: 'Power it without a disk' })
    expect(() => say({ kind: 'override', gate: 'first-power', detail: 'Once more, to be sure.' })).toThrow(
      '“First power” is open',
    )
  })

  it('a step that a wait holds is refused until it is over or ended', async () => {
    const { say } = await bench()
    const wait = say({ kind: 'wait', station: 'clean', title: 'Alcohol drying', minutes: 600, holds: 'clean.heads' })
    const heads = () => say({ kind: 'step', station: 'clean', step: 'clean.heads' })
    expect(heads).toThrow(/“Alcohol drying” holds it for another 59\d min/)
    say({ kind: 'wait-ended', station: 'clean', title: 'Alcohol drying: over', wait: wait.id })
    expect(heads()).toMatchObject({ data: { step: 'clean.heads' } })
  })

  it('things are marked, undone, broken, put back or left off with a reason', async () => {
    const { say } = await bench()
    const plug = say({
      kind: 'as-found',
      station: 'open',
      item: { kind: 'connector', name: '34-pin data', state: 'rear edge' } as EntryInput['item'],
    })
    expect(plug).toMatchObject({ title: 'Connector: 34-pin data', detail: 'rear edge' })
    expect(() => say({ kind: 'put-back', of: plug.id })).toThrow('no. 1, 34-pin data, was never undone')
    expect(say({ kind: 'undone', of: plug.id, broke: 'snapped' })).toMatchObject({
      title: 'Snapped: no. 1, 34-pin data',
      data: { broke: 'snapped' },
    })
    expect(() => say({ kind: 'undone', of: plug.id })).toThrow('is undone already')
    expect(() => say({ kind: 'put-back', of: plug.id, leftOff: true })).toThrow('leaving it off needs a reason')
    expect(say({ kind: 'put-back', of: plug.id })).toMatchObject({ title: 'Put back: no. 1, 34-pin data' })
  })

  it.each<[string, object, RegExp]>([
    ['a note without words', { kind: 'note' }, /title: the entry says nothing/],
    [
      'a release that does not say how',
      { kind: 'released', title: 'x' },
      /outcome: the release does not say how; expected released, parts, quarantined or returned/,
    ],
    ['a wait without its length', { kind: 'wait', title: 'x' }, /minutes: the wait does not say how long/],
    [
      'a wait for no step',
      { kind: 'wait', title: 'x', minutes: 3, holds: 'clean.nothing' },
      /there is no step “clean.nothing”/,
    ],
    ['the end of no wait', { kind: 'wait-ended', title: 'x', wait: uuid(5) }, /there is no such wait on this drive/],
    ['a photo without its name', { kind: 'photo' }, /the photo is missing; expected its SHA-256/],
    ['no step', { kind: 'step', step: 'look.nowhere' }, /there is no step “look.nowhere”/],
    ['no finding', { kind: 'finding' }, /the finding is left out/],
    ['a thing that is none', { kind: 'as-found' }, /the thing itself is missing/],
    [
      'a thing behind nothing',
      { kind: 'as-found', item: { kind: 'part', name: 'x', behind: uuid(5) } },
      /what lies in front of it is not on this drive’s record/,
    ],
    [
      'a mark on no photo',
      { kind: 'as-found', item: { kind: 'part', name: 'x', mark: { photo: uuid(5), x: 0.5, y: 0.5 } } },
      /the photo it is marked on is not on this drive’s log/,
    ],
    ['what was never marked', { kind: 'undone', of: uuid(5) }, /there is no such thing on this drive’s record/],
    [
      'no gate',
      { kind: 'override', gate: 'garden', detail: 'a long enough reason' },
      /there is no safety gate “garden”/,
    ],
    ['no caution', { kind: 'acknowledged', caution: 'dogs' }, /there is no caution “dogs”/],
  ])('%s is said in a sentence', async (_, input, sentence) => {
    const { say } = await bench()
    expect(() => say(input as Parameters<typeof say>[0])).toThrow(sentence)
  })

  it.each<[object, string]>([
    [{ kind: 'as-found', item: { kind: 'connector', name: '' } }, 'Say what it is.'],
    [
      { kind: 'as-found', item: { kind: 'connector', name: 'x', mark: { photo: uuid(1), x: 1.2, y: 0 } } },
      'A mark lies on its photo.',
    ],
    [{ kind: 'wait', minutes: -5 }, 'A wait is at least a minute.'],
    [{ kind: 'finding', finding: { question: 'shorts', value: 'low' } }, 'The reading is a number.'],
  ])('%j: %s', async (input, sentence) => {
    await expect(
      entrySchema.validate({ id: uuid(1), at: '2026-03-01T10:00:00Z', station: 'look', ...input }),
    ).rejects.toThrow(sentence)
  })
})
