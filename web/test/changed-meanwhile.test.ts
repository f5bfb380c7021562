import { mkdtempSync, readFileSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import fc from 'fast-check'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { ChangedMeanwhile, mergeChange } from '../server/services/changed-meanwhile'
import { FAULTS_FILE, keepFault, logLine } from '../server/services/server-log'
import { newDrive, uuid, workshop } from './helpers'

const NOW = '2026-03-01T09:00:00Z'
const clash = (run: () => unknown): ChangedMeanwhile => {
  try {
    run()
  } catch (error) {
    if (error instanceof ChangedMeanwhile) return error
  }
  throw new Error('nothing clashed')
}

describe('two people change one drive', () => {
  it('different facts: both stay', async () => {
    const { drives } = await workshop()
    const seen = newDrive()
    drives.receive(seen, NOW, uuid(1))
    drives.change(uuid(1), { ...seen, maker: 'Staithe' }, seen)
    const after = drives.change(uuid(1), { ...seen, serial: '17' }, seen)
    expect(after).toMatchObject({ maker: 'Staithe', serial: '17' })
    expect(
      drives
        .log(uuid(1))
        .filter(e => e.kind === 'facts')
        .map(e => e.detail),
    ).toEqual(['maker: Staithe', 'serial number: 17'])
  })

  it('the same fact: the second one is told, nothing of it is saved, and saying so again replaces it', async () => {
    const { drives } = await workshop()
    const seen = newDrive()
    drives.receive(seen, NOW, uuid(1))
    drives.change(uuid(1), { ...seen, maker: 'Staithe' }, seen)
    const second = { ...seen, maker: 'Orlop', serial: '17' }
    const told = clash(() => drives.change(uuid(1), second, seen))
    expect(told.message).toMatch(/maker is “Staithe” now/)
    expect(told.field).toBe('maker')
    expect(drives.get(uuid(1)).serial).toBe('')
    expect(drives.change(uuid(1), second, { ...seen, maker: 'Staithe' })).toMatchObject({
      maker: 'Orlop',
      serial: '17',
    })
  })

  it('the same fact to the same thing is no clash; one who says nothing of what was seen changes as before', async () => {
    const { drives } = await workshop()
    const seen = newDrive()
    drives.receive(seen, NOW, uuid(1))
    const features = { phasesFromHost: true } as never
    drives.change(uuid(1), { features }, seen)
    expect(() => drives.change(uuid(1), { ...seen, features }, seen)).not.toThrow()
    expect(drives.change(uuid(1), { maker: 'Orlop' }).maker).toBe('Orlop')
  })

  it('never writes what a person did not touch, and never loses what one did without a word', () => {
    const facts = fc.record({ a: fc.nat(2), b: fc.nat(2), c: fc.nat(2) })
    fc.assert(
      fc.property(facts, facts, facts, (before, now, wanted) => {
        const { change, clash: on } = mergeChange(wanted, before, now)
        const result = { ...now, ...change }
        for (const key of ['a', 'b', 'c'] as const) {
          if (wanted[key] === before[key]) expect(result[key]).toBe(now[key])
          else if (on === null) expect(result[key]).toBe(wanted[key])
        }
        const both = (['a', 'b', 'c'] as const).some(
          k => wanted[k] !== before[k] && now[k] !== before[k] && now[k] !== wanted[k],
        )
        expect(on !== null).toBe(both)
      }),
      { seed: 18 },
    )
  })
})

describe('the log of the server', () => {
  afterEach(() => {
    vi.restoreAllMocks()
  })

  it('says an event in one line with its level; where it came up goes to a file that does not grow for ever', () => {
    const said = vi.spyOn(console, 'error').mockImplementation(() => {})
    logLine('error', 'POST /api/x: it broke\n    at here (file.js:1:2)', new Date(NOW))
    expect(said.mock.calls).toEqual([['2026-03-01T09:00:00.000Z error POST /api/x: it broke at here (file.js:1:2)']])
    const root = mkdtempSync(join(tmpdir(), 'wobrin-log-'))
    keepFault(root, 'x'.repeat(1_100_000))
    keepFault(root, 'second\n')
    expect(readFileSync(join(root, FAULTS_FILE), 'utf8')).toBe('second\n')
    expect(statSync(join(root, `${FAULTS_FILE}.1`)).size).toBe(1_100_000)
    expect(() => keepFault(join(root, 'nowhere'), 'x')).not.toThrow()
  })
})
