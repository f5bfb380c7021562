import { describe, expect, it } from 'vitest'
import {
  adviseCleaning,
  AGENTS,
  LUBRICANT_SCHOOLS,
  MATERIALS,
  SOILS,
  type LubricantSchool,
  type Material,
  type Soil,
} from '../../../src/bench/cleaning'

const materials = Object.keys(MATERIALS) as Material[]
const soils = Object.keys(SOILS) as Soil[]
const schools = Object.keys(LUBRICANT_SCHOOLS) as LubricantSchool[]
const everything = AGENTS.map(a => a.id)
/** One, two or three materials together, and all of them. */
const few = [
  ...materials.flatMap((a, i) => [
    [a],
    ...materials.slice(i + 1).flatMap((b, j) => [[a, b], ...materials.slice(i + j + 2).map(c => [a, b, c])]),
  ]),
  materials,
]

describe('the cleaning adviser', () => {
  // Common practice, no source: vinegar for minutes, a rinse with deionised water, alcohol, then dry.
  it('neutralises a leak with vinegar, rinses, then alcohol, and says how long it dries', () => {
    const a = adviseCleaning({
      materials: ['board'],
      soils: ['crust'],
      school: 'light-oil',
      shelf: ['vinegar', 'deionised-water', 'alcohol'],
    })
    expect(a.steps.map(s => s.agent.id)).toEqual(['vinegar', 'deionised-water', 'alcohol'])
    expect(a.steps[0]!.dryMinutes).toBe(5)
    expect(a.dryMinutes).toBe(20)
    expect(a.cautions.join(' ')).toMatch(/never together with any other cleaner.*gloves/)
  })

  it('explains why the stronger one was not taken', () => {
    const a = adviseCleaning({
      materials: ['plastic-rail', 'steel'],
      soils: ['set-grease'],
      school: 'thin-grease',
      shelf: everything,
    })
    // Common practice, no source: dirty grease comes off before oil goes on.
    expect(a.steps.slice(0, 2)).toMatchObject([
      { agent: { id: 'alcohol' }, title: 'Wipe the dirty grease off' },
      { agent: { id: 'penetrating' }, on: ['steel'] },
    ])
    expect(a.never).toContain('Penetrating oil never on plastic guide rail or slide: its carrier crazes some plastics.')
    expect(a.conflicts).toContain(
      'Lithium grease must not go on plastic guide rail or slide: lithium grease is doubted on plastics.',
    )
    expect(a.steps.filter(s => s.title.startsWith('Lubricate')).map(s => [s.on[0], s.agent.id])).toEqual([
      ['plastic-rail', 'silicone'],
      ['steel', 'lithium'],
    ])
  })

  // Common practice, no source: alcohol is not for these; a dry swab is.
  it.each(['acrylic', 'polystyrene', 'polycarbonate', 'label', 'felt'] as const)('no alcohol on %s', material => {
    const { steps } = adviseCleaning({ materials: [material], soils, school: 'light-oil', shelf: everything })
    expect(steps.map(s => s.agent.id)).not.toContain('alcohol')
    expect(steps.map(s => s.agent.kind)).not.toContain('solvent')
  })
  // Common practice, no source: heads are cleaned with isopropyl alcohol of 90 % or more.
  it('heads get alcohol, whatever has to come off, and never acid, oil or a brush', () => {
    for (const soil of soils) {
      const { steps } = adviseCleaning({ materials: ['head'], soils: [soil], school: 'light-oil', shelf: everything })
      expect(steps.map(s => s.agent.kind)).not.toContain('acid')
      expect(steps.map(s => s.agent.kind)).not.toContain('oil')
      expect(steps.map(s => s.agent.id)).not.toContain('brush')
    }
    const { steps } = adviseCleaning({ materials: ['head'], soils: ['dust'], school: 'light-oil', shelf: everything })
    expect(steps.map(s => s.agent)).toMatchObject([{ id: 'alcohol', label: expect.stringContaining('90 %') }])
  })

  it('the other school puts light oil on metal', () => {
    const a = adviseCleaning({ materials: ['steel'], soils: [], school: 'light-oil', shelf: everything })
    expect(a.steps.map(s => s.agent.id)).toEqual(['light-oil'])
    expect(a.steps[0]!.how).toMatch(/One drop/)
  })

  it('what is not on the shelf is replaced by what is, or to be got', () => {
    const goo = (shelf: string[]) =>
      adviseCleaning({ materials: ['steel'], soils: ['goo'], school: 'light-oil', shelf }).steps[0]!
    expect(goo(['spirit'])).toMatchObject({ agent: { id: 'spirit' }, toGet: false })
    expect(goo([])).toMatchObject({ agent: { id: 'dry-swab' }, toGet: false })
    expect(
      adviseCleaning({ materials: ['board'], soils: ['crust'], school: 'light-oil', shelf: [] }).steps[0],
    ).toMatchObject({ agent: { id: 'vinegar' }, toGet: true })
  })

  it('heads come last of what is cleaned', () => {
    const a = adviseCleaning({
      materials: ['head', 'steel'],
      soils: ['oxide', 'dust', 'goo'],
      school: 'light-oil',
      shelf: everything,
    })
    const cleaned = a.steps.filter(s => !s.title.startsWith('Lubricate'))
    const first = cleaned.findIndex(s => s.on.includes('head'))
    expect(cleaned.slice(first).every(s => s.on.length === 1 && s.on[0] === 'head')).toBe(true)
  })

  it('never uses an agent where it must not go, answers every soil on every material, and both schools lubricate what they may', () => {
    let cases = 0
    for (const present of few) {
      for (const school of schools) {
        for (const shelf of [[], ['alcohol'], ['vinegar', 'alcohol', 'light-oil', 'lithium'], everything]) {
          const { steps } = adviseCleaning({ materials: present, soils, school, shelf })
          for (const s of steps) for (const m of s.on) if (s.agent.never[m]) throw new Error(`${s.agent.id} on ${m}`)
          const lubricated = steps.filter(s => s.title.startsWith('Lubricate')).flatMap(s => s.on)
          if (present.some(m => ['steel', 'brass', 'plastic-rail'].includes(m) !== lubricated.includes(m)))
            throw new Error(`${school} leaves ${present.join()} without a word`)
          cases++
        }
      }
    }
    expect(cases).toBe(few.length * 2 * 4)
    for (const soil of soils) {
      for (const m of materials) {
        const on = adviseCleaning({
          materials: [m],
          soils: [soil],
          school: 'light-oil',
          shelf: everything,
        }).steps.filter(s => !s.title.startsWith('Lubricate'))
        expect(on.length, `${soil} on ${m}`).toBeGreaterThan(0)
      }
    }
  })

  // Common practice, no source: never oil or grease on a belt, and silicone is safe on plastics.
  it('no lubricant goes on rubber, and silicone is the one for plastics', () => {
    for (const a of AGENTS.filter(a => a.kind === 'oil' || a.kind === 'grease')) {
      expect(a.never.rubber, a.id).toBeTruthy()
      expect(Boolean(a.never['plastic-rail']), a.id).toBe(a.id !== 'silicone')
    }
  })
})
