import { describe, expect, it } from 'vitest'
import { diagnose, FAULTS, findCheck, readCase, withAnswer } from '../../src/diagnosis'
import { practiceAnswer, practiceDrive, practiceSpeed } from '../../src/simulator/rig'

/** Follows the advice on a practice drive, as its page does. @returns what cured it, and how many checks it took */
function follow(seed: number, most = 40): { cured: string | null; checks: number } {
  const { mechanism, complaints } = practiceDrive(seed)
  let c = readCase({ mechanism, complaints })
  const done: string[] = []
  const skip = new Set<string>()
  for (let checks = 0; checks < most; checks++) {
    const d = diagnose(c, { skip })
    const check = d.cure && d.cureCheck ? d.cureCheck : d.next[0]?.check
    if (!check) return { cured: null, checks }
    const says = practiceAnswer(seed, done, check)
    if (says === null || !findCheck(check)!.answers.includes(says)) {
      skip.add(check)
      continue
    }
    if (/^(?:after|swap)\./.test(check)) done.push(check)
    c = withAnswer(c, check, says)
    if (says === 'cures') return { cured: check, checks: checks + 1 }
  }
  return { cured: null, checks: most }
}

describe('a practice drive', () => {
  it('is the same for the same number, and has faults that are in the list', () => {
    for (const seed of [1, 2, 3, 44]) {
      const a = practiceDrive(seed)
      expect(practiceDrive(seed).faults).toEqual(a.faults)
      expect(a.complaints.length).toBeGreaterThan(0)
      for (const id of a.faults) expect(FAULTS.some(f => f.id === id)).toBe(true)
      expect(a.faults).toHaveLength(seed % 3 === 0 ? 2 : 1)
    }
  })
  it('turns at a speed that fits what is seen of it', () => {
    for (const seed of [1, 2, 3, 4, 5, 6, 7, 8]) {
      const [rpm, seen] = [practiceSpeed(seed, []), practiceAnswer(seed, [], 'speed.mean')]
      if (seen === 'none') expect(rpm).toBeNull()
      else expect(rpm).toBeGreaterThan(100)
    }
  })
  it('answers a look alike however often it is asked', () => {
    const once = practiceAnswer(7, [], 'see.spin')
    expect(once).not.toBeNull()
    for (let i = 0; i < 3; i++) expect(practiceAnswer(7, [], 'see.spin')).toBe(once)
  })
  it('works once what is hidden in it was mended, and a look at it is good afterwards', () => {
    for (const seed of [5, 8, 11]) {
      const { faults } = practiceDrive(seed)
      const part = faults[0]!.split('.')[0]!
      expect(practiceAnswer(seed, [], `swap.${part}`), `${seed} ${part}`).toBe('cures')
      expect(practiceAnswer(seed, [`swap.${part}`], 'see.steady')).toBe('always')
    }
  })
  it('is cured by following the advice, mostly', () => {
    const seeds = Array.from({ length: 12 }, (_, i) => 3 * i + 1)
    const played = seeds.map(s => follow(s))
    expect(played.filter(p => p.cured).length).toBeGreaterThanOrEqual(9)
  })
  it('says nothing where its physics does not reach', () => {
    expect(practiceAnswer(1, [], 'no.such.check')).toBeNull()
  })
})
