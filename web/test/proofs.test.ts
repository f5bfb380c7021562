import { describe, expect, it } from 'vitest'
import { ladderOf } from '../../core/src/proof'
import { proofInputSchema } from '../shared/proof'
import { newDrive, uuid, workshop } from './helpers'

const NOW = '2026-03-01T10:00:00Z'
const input = (part: object = {}) =>
  proofInputSchema.validateSync({ id: uuid(40), at: NOW, test: 'format', sectors: 1440, errors: 0, ...part })
async function ready() {
  const w = await workshop()
  w.drives.receive(newDrive({ tag: 'SK-09', mechanism: '3.5in' }), NOW, uuid(1))
  w.drives.receive(newDrive({ tag: 'SK-15', mechanism: '3.5in' }), NOW, uuid(2))
  return w
}

describe('counted tests on the log', () => {
  it('carry the bound that their counts allow, worked out by the server, once for each id', async () => {
    const w = await ready()
    const entry = w.proofs.keep(uuid(1), input())
    expect(entry).toMatchObject({
      title: 'Format: 0 of 1440 sectors failed',
      call: { kind: 'leave' },
      data: { type: 'proof', test: 'format' },
    })
    expect(entry.observations[1]!.value).toBe(0.21)
    expect(w.proofs.keep(uuid(1), input({ errors: 5 })).seq).toBe(entry.seq)
    expect(
      ladderOf({ mechanism: '3.5in', simulated: false }, w.drives.log(uuid(1))).rungs[1]!.tests.find(
        t => t.test.id === 'format',
      )!.state,
    ).toBe('passed')
  })
  it('one failure condemns nothing', async () => {
    const w = await ready()
    expect(w.proofs.keep(uuid(1), input({ errors: 2 })).call).toMatchObject({
      kind: 'unknown',
      next: expect.stringContaining('before a part is blamed'),
    })
  })
  it('interchange needs another drive, which is named', async () => {
    const w = await ready()
    const cross = (n: number, reader: string | null) => () =>
      w.proofs.keep(uuid(1), input({ id: uuid(n), test: 'interchange', reader }))
    expect(cross(50, null)).toThrow(/the drive that read it is left out/)
    expect(cross(51, uuid(1))).toThrow(/says nothing of others/)
    expect(cross(52, uuid(99))).toThrow(/no such drive/)
    expect(cross(53, uuid(2))().call!.reasons[0]).toBe('1440 sectors read in SK-15 without an error.')
    expect(w.drives.log(uuid(1))).toHaveLength(2)
  })
  it.each([
    [{ sectors: 0 }, /At least one sector/],
    [{ errors: -1 }, /./],
    [{ test: 'read-trusted' }, /no such test to be counted/],
    [{ sectors: 'many' }, /whole number/],
  ])('%j is refused', (part, says) => {
    expect(() => input(part)).toThrow(says)
  })
  it('more failed than were tried is refused', async () => {
    const w = await ready()
    expect(() => w.proofs.keep(uuid(1), input({ errors: 1441 }))).toThrow(/1441 of 1440 sectors cannot have failed/)
  })
})
