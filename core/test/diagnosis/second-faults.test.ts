import { describe, expect, it } from 'vitest'
import { diagnose, readCase, withAnswer, type DiagnosisCase } from '../../src/diagnosis'
import { faultAt, weighCase } from '../../src/diagnosis/weigh-case'
import { drawDrive } from '../../src/simulator/rig'
import { play } from './helpers/play'

/** A case of a drive with these answers, one after another. */
const answered = (mechanism: string, complaints: string[], ...answers: [check: string, answer: string][]) =>
  answers.reduce<DiagnosisCase>(
    (c, [check, answer]) => withAnswer(c, check, answer),
    readCase({ mechanism, complaints }),
  )
const share = (c: DiagnosisCase, ...faults: string[]) =>
  diagnose(c)
    .causes.filter(x => faults.includes(x.fault))
    .reduce((s, x) => s + x.probability, 0)

/** Common practice throughout: what a restorer does when the first cure was not the whole of it. */
describe('after the first cure', () => {
  const rotten = (c: DiagnosisCase) => {
    const w = weighCase(c)
    const number = w.weigh.relevant.findIndex((_, n) => faultAt(w, n).id === 'belt.rotten')
    return w.weigh.check('read.lower.inner', Infinity)!.risk([number])
  }
  it('a belt that was replaced is no reason to keep the power off', () => {
    const before = answered('5.25in-96', ['spins-slow'], ['found.belt', 'belt.goo'])
    expect(rotten(before)).toBeGreaterThan(1)
    expect(rotten(withAnswer(before, 'after.fit.belt', 'better'))).toBeLessThan(rotten(before) / 20)
  })
  it('a cure that changed nothing is not proposed again, however likely its fault still is', () => {
    const before = answered('5.25in-48', ['no-spin'], ['found.belt', 'belt.goo'])
    expect(diagnose(before).mendNow).toBe('belt.rotten')
    for (const answer of ['same', 'worse'])
      expect(diagnose(withAnswer(before, 'after.fit.belt', answer)).mendNow).not.toBe('belt.rotten')
  })
  it('a part that was swapped and made it better was one of the causes; the other is looked for', () => {
    const before = answered('5.25in-48', ['no-spin'], ['ohms.motor', 'open'], ['ohms.motor-lead', 'right'])
    const c = withAnswer(before, 'swap.spindle-motor', 'better')
    const d = diagnose({ ...c, complaints: [...c.complaints, { id: 'reads-nothing', at: 9 }] })
    expect(d.pairs[0]!.faults).toContain('spindle-motor.dead')
    expect(d.mendNow).not.toBe('spindle-motor.dead')
    expect(d.causes[0]!.fault).not.toBe('spindle-motor.dead')
  })
})

describe('what tells faults apart that look alike', () => {
  it('a lead that is open when bent is not a dead motor', () => {
    const open = answered('8in', ['no-spin'], ['ohms.motor', 'open'])
    expect(diagnose(withAnswer(open, 'ohms.motor-lead', 'open')).causes[0]!.fault).toBe('spindle-motor-lead.broken')
    expect(diagnose(withAnswer(open, 'ohms.motor-lead', 'right')).causes[0]!.fault).toBe('spindle-motor.dead')
  })
  it('another host comes with its own cable and supply: all of them stay suspect', () => {
    const c = answered('3.5in', ['reads-nothing'], ['after.another.host', 'cures'])
    expect(share(c, 'interface-cable.crimp')).toBeGreaterThan(0.05)
    expect(share(c, 'interface-cable.crimp')).toBeGreaterThan(5 * share(c, 'read-amplifier.dead'))
    expect(share(c, 'host.settings')).toBeGreaterThan(0.05)
  })
  it('a cable that is seen to sit a row beside its place is put right first', () => {
    const d = diagnose(answered('3in', ['dead'], ['see.cable', 'shifted']))
    expect(d.causes[0]!.fault).toBe('interface-cable.shifted')
    expect(d.causes[0]!.probability).toBeGreaterThan(0.75)
  })
  it('the torn head is named once somebody looked which it is', () => {
    const torn = answered('3.5in', ['disk-damaged'], ['found.heads', 'heads.torn'])
    expect(diagnose(torn).next.map(n => n.check)).toContain('heads.which')
    expect(diagnose(withAnswer(torn, 'heads.which', 'upper')).causes[0]!.fault).toBe('upper-head.torn')
  })
  it('what harms nothing is tried while it is not sure, and then said to be tried', () => {
    const c = answered('8in', ['never-protected'])
    const d = diagnose(c)
    expect(d.mendNow).toBeNull()
    expect(d.next[0]!.check).toBe('after.clean.sensors')
    const next = diagnose(withAnswer(c, 'after.clean.sensors', 'same'))
    expect(next.next.map(n => n.check)).not.toContain('after.clean.sensors')
  })
})

describe('two hidden faults', () => {
  it('most are told as a pair when the case is over, and no cure is made twice', () => {
    const played = Array.from({ length: 16 }, (_, i) => play(drawDrive(600_000 + i, 2)))
    const told = played.filter(p => p.last.pairs[0]?.faults.every(f => p.hidden.faults.includes(f)))
    expect(told.length).toBeGreaterThanOrEqual(8)
    for (const p of played) {
      const vain = p.trail.filter(t => t.startsWith('mend ') && t.endsWith('=same'))
      expect(new Set(vain).size, p.trail.join(' ')).toBe(vain.length)
    }
  }, 300_000)
})

describe('bounds of pairs', () => {
  it('no pair of a real case weighs more than its bounds say', () => {
    for (const seed of [600_100, 600_101, 600_102]) {
      const { hidden, trail } = play(drawDrive(seed, 2))
      const c = trail
        .filter(t => !t.startsWith('mend '))
        .map(t => t.split('=') as [string, string])
        .reduce((k, [check, answer]) => withAnswer(k, check, answer), readCase({ ...hidden, faults: undefined }))
      const { model } = weighCase(c).weigh
      const { first, second } = model.pairBounds!
      for (let a = 0; a < model.faults; a++)
        for (let b = a + 1; b < model.faults; b += 3) {
          const weight = model.logPrior([a, b]) + model.logLikelihood([a, b])
          if (weight > -Infinity) expect(weight).toBeLessThanOrEqual(first[a]! + second[b]! + 1e-9)
        }
    }
  }, 120_000)
})
