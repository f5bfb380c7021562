import { describe, expect, it } from 'vitest'
import { findFinding, findingsNamed, QUESTIONS, recordFinding } from '../../src/findings'

const all = QUESTIONS.flatMap(q => q.findings.map(f => ({ q, f })))

describe('the vocabulary of findings', () => {
  it('has ids of its own, each under its question, with words that stand alone', () => {
    expect(new Set(all.map(x => x.f.id)).size).toBe(all.length)
    for (const { q, f } of all) {
      expect(f.id.split('.')[0]).toBe(q.id)
      expect(f.label.length, f.id).toBeLessThanOrEqual(34)
      expect(f.means, f.id).toMatch(/^[A-Z].*\.$/)
      expect(f.next, f.id).toMatch(/^[A-Z].*\.$/)
    }
  })

  it('every finding that is spoken of exists', () => {
    for (const { f } of all) for (const id of f.clears ?? []) expect(findFinding(id).finding.id).toBe(id)
    for (const q of QUESTIONS) {
      for (const id of findingsNamed(q.when)) expect(findFinding(id)).toBeTruthy()
      for (const band of q.measured?.bands ?? []) expect(findFinding(band.finding).question).toBe(q)
    }
  })

  it('every question can be answered by something good and by something that is not', () => {
    for (const q of QUESTIONS) {
      expect(
        q.findings.some(f => f.call === 'leave'),
        q.id,
      ).toBe(true)
      expect(
        q.findings.some(f => f.call !== 'leave'),
        q.id,
      ).toBe(true)
      expect(q.findings.length, `${q.id}: one key for each`).toBeLessThanOrEqual(9)
    }
  })
})

describe('what a finding puts on the log', () => {
  it('is a typed observation with the consequence as its call', () => {
    const r = recordFinding({ finding: 'lacquer.broken', place: 'upper head screws' })
    expect(r.title).toBe('Lacquer: broken, upper head screws')
    expect(r.call).toMatchObject({ kind: 'unknown', reasons: ['Someone moved it; alignment will need proof.'] })
    expect(recordFinding({ finding: 'lacquer.broken', place: 'speed trimmer' }).call.reasons).toEqual([
      'Someone moved it; the speed will need proof.',
    ])
    for (const { q, f } of all) for (const p of Object.keys(f.meansAt ?? {})) expect(q.places, f.id).toContain(p)
    expect(r.observation).toMatchObject({ key: 'finding.lacquer', value: 'Broken', how: 'seen' })
  })

  it('judges a number by its bands, and keeps the number', () => {
    expect(recordFinding({ question: 'shorts', value: 2.4 })).toMatchObject({
      finding: { id: 'shorts.found' },
      observation: { value: 2.4, unit: 'Ω' },
      title: 'Supply pins: a short (2.4 Ω)',
    })
    expect(recordFinding({ question: 'shorts', value: 10 }).finding.id).toBe('shorts.low')
    expect(recordFinding({ question: 'shorts', value: 480 }).finding.id).toBe('shorts.none')
  })

  it.each([
    [{}, /left out/],
    [{ finding: 'belt.purple' }, /no finding "belt.purple"/],
    [{ finding: 'belt.goo', place: 'moon' }, /“moon” is no place/],
    [{ question: 'shorts', value: -3 }, /-3 Ω is not possible/],
    [{ question: 'shorts', value: Number.NaN }, /NaN Ω is not possible/],
    [{ question: 'belt', value: 3 }, /not answered by a number/],
  ])('says in a sentence what is wrong with %j', (input, words) => {
    expect(() => recordFinding(input)).toThrow(words)
  })
})
