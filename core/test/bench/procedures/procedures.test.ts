import { describe, expect, it } from 'vitest'
import { changePart, gluesFor, procedureOf, PROCEDURES, procedureSteps } from '../../../src/bench/procedures'
import { CAUTIONS } from '../../../src/bench/stations'
import { findFinding, findingsNamed } from '../../../src/findings'
import { MECHANISM_IDS } from '../../../src/drives'
import { findPart, IN_DRIVES, partsOn } from '../../../src/parts'

const drive = (mechanism: (typeof MECHANISM_IDS)[number]) => ({ mechanism, features: null })
const ids = (part: string, mechanism: (typeof MECHANISM_IDS)[number] = '3.5in', found: string[] = []) =>
  changePart(part, drive(mechanism), found).steps.map(s => s.id)

describe('procedures as data', () => {
  it('name parts, cautions and findings that exist, and each part once', () => {
    const named = PROCEDURES.flatMap(p => p.parts)
    expect(new Set(named).size).toBe(named.length)
    for (const id of named) expect(findPart(id), id).toBeDefined()
    for (const p of PROCEDURES)
      for (const s of p.steps) {
        for (const c of s.cautions ?? []) expect(CAUTIONS[c], `${p.id} ${s.id}`).toBeDefined()
        for (const f of findingsNamed(s.when)) expect(findFinding(f).finding.id).toBe(f)
        expect(s.hands, `${p.id} ${s.id}`).toBeGreaterThan(0)
      }
    for (const p of PROCEDURES) expect(new Set(p.steps.map(s => s.id)).size, p.id).toBe(p.steps.length)
  })
  it('every part of every drive can be changed, beginning with a look and ending with the covers on', () => {
    for (const m of MECHANISM_IDS)
      for (const n of partsOn(drive(m), [], IN_DRIVES)) {
        const { steps, hands } = changePart(n.id, drive(m))
        expect(steps[0]!.id).toBe('arrival')
        expect(steps.at(-1)!.id).toBe('closed')
        expect(hands).toBeGreaterThan(10)
        expect(new Set(steps.map(s => s.id)).size, n.id).toBe(steps.length)
      }
  })
})

describe('changing a part', () => {
  it('heads: compared before they go in, the tab clears its slot, track zero is set before the heads', () => {
    const steps = ids('heads')
    expect(steps.indexOf('arrival')).toBeLessThan(steps.indexOf('in'))
    expect(steps.indexOf('clear')).toBeGreaterThan(steps.indexOf('in'))
    expect(steps.indexOf('sensor')).toBeLessThan(steps.indexOf('align'))
    expect(changePart('heads', drive('3.5in')).steps[0]!.why).toContain('sensor tab')
  })
  it('nothing is aligned where a servo follows the tracks, and no track zero is set where there is no sensor', () => {
    expect(ids('heads', 'cartridge')).not.toContain('align')
    expect(ids('heads', '5.25in-serial')).not.toContain('sensor')
  })
  it('what was glued cures before power and carriage move', () => {
    const glue = changePart('heads', drive('3.5in'), ['flag.snapped']).steps.find(s => s.id === 'glue')!
    expect(glue.wait!.rests).toEqual(expect.arrayContaining(['power', 'carriage']))
    expect(ids('heads')).not.toContain('glue')
  })
  it('a board that leaked is neutralised and dried before any iron comes near', () => {
    const steps = ids('capacitor', '3.5in', ['caps.leaking'])
    expect(steps.indexOf('neutral')).toBeLessThan(steps.indexOf('out'))
    expect(ids('capacitor')).not.toContain('neutral')
  })
  it('the capacitor of a mains motor is nobody’s but a qualified person’s', () => {
    const { steps } = changePart('motor-capacitor', drive('8in'))
    expect(steps.find(s => s.id === 'qualified')!.cautions).toEqual(['mains'])
    expect(steps.map(s => s.id)).not.toContain('out')
  })
  it('shows again what moving the part may have moved', () => {
    const shown = changePart('stepper', drive('3.5in')).steps.map(s => s.title)
    expect(shown).toContain('Show that homing ends on the same cylinder ten times')
    expect(ids('motor').filter(id => id.startsWith('show'))).toHaveLength(2)
  })
  it('a part of which nobody wrote how is still taken out, fitted and shown', () => {
    expect(procedureOf('lamp')).toBeNull()
    expect(ids('lamp')).toEqual(['arrival', 'photo', 'out', 'in', 'closed'])
  })
  it('refuses a part that does not exist', () => {
    expect(() => changePart('flux', drive('3.5in'))).toThrow(/there is no part “flux”/)
  })
})

describe('a disk made fit to be read', () => {
  it('goes into no drive before it is clean, and the heads are looked at afterwards', () => {
    const { steps, waits } = procedureSteps('wash-disk', drive('5.25in-48'))
    const at = (id: string) => steps.findIndex(s => s.id === id)
    expect(at('gate')).toBe(0)
    expect(at('wash')).toBeLessThan(at('read'))
    expect(at('heads')).toBe(steps.length - 1)
    expect(waits).toBeGreaterThanOrEqual(720)
  })
})

describe('glue', () => {
  it('instant glue stays away from heads and windows: its vapour settles there (common practice)', () => {
    expect(gluesFor('plastic').map(g => g.id)).toContain('cyanoacrylate')
    expect(gluesFor('plastic', ['head']).map(g => g.id)).not.toContain('cyanoacrylate')
    expect(gluesFor('plastic', ['window']).map(g => g.id)).not.toContain('cyanoacrylate')
  })
  it('felt is glued with what does not soak through it', () => {
    expect(gluesFor('felt').map(g => g.id)).toEqual(['contact'])
  })
})
