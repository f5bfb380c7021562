import { describe, expect, it } from 'vitest'
import { diagnose, readCase, type WorkBox } from '../../src/diagnosis'
import { MECHANISM_IDS, type MechanismId } from '../../src/drives'

const check = (id: string, answer: string, at?: number) => ({ check: id, answer, ...(at ? { at } : {}) })
function boxes(mechanism: MechanismId, input: object): (id: string) => WorkBox {
  const { works } = diagnose(readCase({ mechanism, ...input }))
  return id => works.find(w => w.id === id)!
}

describe('the map of what works', () => {
  it('what fails hides what stands behind it, and what was seen proves what it needs', () => {
    const box = boxes('3.5in', {
      complaints: ['no-spin'],
      checks: [check('see.lamp', 'normal'), check('see.spin', 'no')],
    })
    expect(box('lamp').state).toBe('works')
    // The lamp cannot follow without logic and select.
    expect(box('logic').state).toBe('works')
    expect(box('select').state).toBe('works')
    expect(box('spin')).toMatchObject({ state: 'fails', says: 'no' })
    for (const behind of ['speed', 'index', 'ready', 'read-lower']) expect(box(behind).state).toBe('not judged')
    expect(box('head-lower').state).toBe('not tried')
    expect(box('spin').suspects[0]!.fault).toMatch(/motor/)
    expect(box('spin').checks).toContain('see.spin')
  })
  it('a complaint fails a function; what its owner did not complain of was not tried here', () => {
    const box = boxes('5.25in-48', { complaints: ['lamp-only'] })
    expect(box('spin').state).toBe('fails')
    expect(box('lamp').state).toBe('not tried')
  })
  it('reading on both heads proves the whole way to them', () => {
    const box = boxes('3.5in', {
      complaints: [],
      checks: ['lower', 'upper'].flatMap(h => ['outer', 'middle', 'inner'].map(z => check(`read.${h}.${z}`, 'all'))),
    })
    for (const id of ['supply-5v', 'logic', 'spin', 'speed', 'carriage', 'home', 'head-lower', 'head-upper', 'channel'])
      expect(box(id).state, id).toBe('works')
    expect(box('write').state).toBe('not tried')
  })
  it('a cure puts what failed back to what was not tried, and the next try tells', () => {
    const failing = [check('see.spin', 'no', 1), check('swap.spindle-motor', 'same', 2)]
    expect(boxes('3.5in', { complaints: [], checks: failing })('spin').state).not.toBe('works')
    const again = [...failing, check('see.spin', 'yes', 3)]
    expect(boxes('3.5in', { complaints: [], checks: again })('spin').state).toBe('works')
  })
  it.each(MECHANISM_IDS)(
    '%s: is drawn from the model: every box after boxes that exist, none after itself',
    mechanism => {
      const { works } = diagnose(readCase({ mechanism, complaints: ['never-tried'] }))
      const ids = works.map(w => w.id)
      expect(works.length).toBeGreaterThan(15)
      works.forEach((w, i) => {
        for (const before of w.after) {
          expect(ids).toContain(before)
          expect(ids.indexOf(before)).toBeLessThan(i)
        }
      })
      // A line is drawn once: no box stands after what one of its other boxes stands after.
      for (const w of works)
        for (const a of w.after) for (const b of w.after) expect(works.find(x => x.id === b)!.after).not.toContain(a)
    },
  )
  it('has the functions of its type: a serial drive its processor, a cartridge drive its servo, a quick disk its pass', () => {
    const ids = (m: MechanismId) => diagnose(readCase({ mechanism: m })).works.map(w => w.id)
    expect(ids('5.25in-serial')).toContain('processor')
    expect(ids('cartridge')).toContain('servo')
    expect(ids('quick-disk')).toContain('pass')
    expect(ids('3.5in')).not.toContain('processor')
  })
})
