import { describe, expect, it } from 'vitest'
import { PART_TREE, findPart, proveAgain, SHAPE_IDS, shapeOf } from '../../src/parts'
import { CALCULATORS } from '../../src/calculators/registry'
import { FAULTS, FUNCTIONS, PARTS } from '../../src/diagnosis'
import { findFinding } from '../../src/findings'

describe('the tree of parts', () => {
  it('every id is there once, every piece lies in a whole, and no piece has pieces', () => {
    expect(new Set(PART_TREE.map(p => p.id)).size).toBe(PART_TREE.length)
    for (const p of PART_TREE) if (p.within) expect(findPart(p.within)).toMatchObject({ within: null })
  })
  it('names findings, faults, functions and places that exist', () => {
    const faults = new Set(FAULTS.map(f => f.id))
    const functions = new Set(FUNCTIONS.map(f => f.id))
    for (const p of PART_TREE) {
      for (const id of [...(p.good ?? []), ...(p.bad ?? []), ...(p.fitted ? [p.fitted] : [])]) {
        const { question } = findFinding(id)
        if (p.place) expect(question.places, p.id).toContain(p.place)
      }
      for (const id of p.cures ?? []) expect(faults, p.id).toContain(id)
      for (const id of p.does ?? []) expect(functions, p.id).toContain(id)
      if (p.fitted) expect(p.good, p.id).toContain(p.fitted)
      for (const id of p.lost ?? []) expect(p.bad, p.id).toContain(id)
    }
  })
  it('every fault that ends with another part is ended by one of the tree', () => {
    const cured = new Set(PART_TREE.flatMap(p => p.cures ?? []))
    /** Cured by a host, another disk or a person’s hands, whatever the sentence also names. */
    const otherwise = [
      'joint.cracked',
      'eject-board.dead',
      'straps.wrong',
      'screw.gummed',
      'spindle-motor.seized',
      'terminator.extra',
    ]
    for (const f of FAULTS)
      if (/\b(?:replace|fit) (?!to|that)|take (?:the|one|a) .* of a/i.test(f.cure.says) && !otherwise.includes(f.id))
        expect(cured, `${f.id}: ${f.cure.says}`).toContain(f.id)
  })
  it('parts are called as the diagnosis calls them', () => {
    const names = new Set(PARTS.map(p => p.id))
    for (const p of PART_TREE)
      for (const fault of p.cures ?? []) {
        const part = fault.split('.')[0]!
        expect(names, fault).toContain(part)
      }
  })
  it('every shape has measures that must be known, and a calculator that exists where it names one', () => {
    for (const id of SHAPE_IDS) {
      const { measures, calculator } = shapeOf(id)
      expect(
        measures.some(m => m.must),
        id,
      ).toBe(true)
      expect(new Set(measures.map(m => m.id)).size, id).toBe(measures.length)
      if (calculator) expect(CALCULATORS.map(c => c.id)).toContain(calculator)
    }
  })
  it('what is to be proved again is told once, in the order of the work', () => {
    expect(proveAgain(['read', 'speed', 'read'])).toEqual([
      'Measure the speed with a disk in, over several revolutions.',
      'Read a reference disk with both heads.',
    ])
  })
})
