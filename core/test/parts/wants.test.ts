import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { assign, matchWants, orderParts, wantsOf } from '../../src/parts'
import { found, marked, putBack, undone, withData } from '../log'
import { offer, want, wanting } from './wants-by-hand'

const drive = wanting('SK-31')
const parts = (log: Parameters<typeof wantsOf>[1], facts = drive) => wantsOf(facts, log).map(w => w.part ?? w.label)

describe('what a drive wants', () => {
  it('a broken tooth wants gears, not the whole gearbox; replaced gears want nothing', () => {
    expect(parts([found('gears.teeth')])).toEqual(['eject-gear'])
    expect(parts([found('gears.teeth'), found('gears.tab')])).toEqual(['eject-gear', 'gear-housing'])
    expect(parts([found('gears.teeth'), found('gears.replaced')])).toEqual([])
  })
  it('a torn head of which nobody said which wants the assembly; once it is known, that head', () => {
    expect(parts([found('heads.torn')])).toEqual(['heads'])
    const which = withData('measurement', {
      type: 'reading',
      key: 'heads.which',
      value: 'upper',
      unit: '',
      uncertainty: null,
      count: null,
      movedTurns: 0,
    })
    expect(parts([found('heads.torn'), which])).toEqual(['upper-head'])
  })
  it('dirt and stiffness are cured by hand and want nothing', () => {
    expect(parts([found('headclean.brown'), found('loading.stiff'), found('grease.set')])).toEqual([])
  })
  it('a switch is wanted where it broke, and not its neighbour', () => {
    expect(parts([found('switch.broken', 'look', 'disk-in')], wanting('SK-31', 'E80', '3.5in'))).toEqual([
      'disk-in-switch',
    ])
  })
  it('a suspect over a half is wanted, one below it is not', () => {
    const cause = (fault: string, probability: number) => ({
      fault,
      part: fault.split('.')[0]!,
      label: fault,
      probability,
      left: 1,
      why: [],
      against: [],
      cure: '',
    })
    const found = { causes: [cause('eject-motor.weak', 0.62), cause('gear-housing.loose', 0.3)], works: [] }
    expect(wantsOf(drive, [], found)).toMatchObject([{ part: 'eject-motor', why: 'suspected', share: 0.62 }])
    expect(wantsOf(drive, [], { ...found, causes: [{ ...cause('eject-motor.weak', 0.62), left: 0.1 }] })).toEqual([])
  })
  it('what was cut or snapped when it was undone is wanted until it is put back or left off', () => {
    const tie = marked({ kind: 'tie', name: 'tie round the head lead' })
    expect(parts([tie, undone(tie, 'cut')])).toEqual(['tie round the head lead'])
    expect(parts([tie, undone(tie, 'cut'), putBack(tie, true)])).toEqual([])
    expect(parts([tie, undone(tie, 'unsoldered')])).toEqual([])
  })
})

describe('what serves a want', () => {
  it('the same model fits; another maker’s gearbox does not, whatever it is called', () => {
    const other = { model: { mechanism: '3.5in-eject', maker: 'Tallow', model: 'E80' } } as const
    const [m] = matchWants(
      [want('gear-housing', 'SK-31')],
      [offer('gear-housing', 'a', other), offer('gear-housing', 'b')],
    )
    expect(m!.best!.offer.key).toBe('b')
    expect(m!.others).toEqual([])
  })
  it('another revision is offered with the word to compare', () => {
    const revision = { model: { mechanism: '3.5in-eject', maker: 'Staithe', model: 'E80B' } } as const
    const [m] = matchWants([want('gear-housing', 'SK-31')], [offer('gear-housing', 'a', revision)])
    expect(m!.best!.fit).toMatchObject({ how: 'another revision', says: expect.stringContaining('compare') })
  })
  it('a switch is a switch: one from another type of drive serves where its measures agree, and not where they differ', () => {
    const size = { contacts: 'normally open', height: 6.5 }
    const wanted = want('disk-in-switch', 'SK-31', { measures: size })
    const from = { model: { mechanism: '3.5in', maker: 'Tallow', model: '35D' } } as const
    const fit = (measures: Record<string, number | string>) =>
      matchWants([wanted], [offer('protect-switch', 'a', { ...from, measures })])[0]!.best?.fit.how ?? null
    expect(fit({ contacts: 'normally open', height: 6.6 })).toBe('by its measures')
    expect(fit({ contacts: 'normally closed', height: 6.5 })).toBeNull()
    expect(fit({ contacts: 'normally open' })).toBe('compare first')
  })
  it('a drive in use is asked last, and a part is given once', () => {
    const used = offer('gear-housing', 'u', { place: 'used', drive: wanting('SK-40') })
    const donor = offer('gear-housing', 'd', { place: 'donor', drive: wanting('SK-41'), known: 'not known' })
    const [a, b] = matchWants([want('gear-housing', 'SK-31'), want('gear-housing', 'SK-32')], [used, donor])
    expect([a!.best!.offer.key, b!.best!.offer.key].sort()).toEqual(['d', 'u'])
    expect(matchWants([want('gear-housing', 'SK-31')], [used, donor])[0]!.best!.offer.key).toBe('d')
  })
  it('what is known to be needed comes before what is suspected', () => {
    const [a, b] = matchWants(
      [want('gear-housing', 'SK-31', { why: 'suspected', share: 0.6 }), want('gear-housing', 'SK-32')],
      [offer('gear-housing', 'x')],
    )
    expect(a!.best).toBeNull()
    expect(b!.best!.offer.key).toBe('x')
  })
  it('old capacitors and belts of other drives serve nobody', () => {
    const from = { place: 'donor', drive: wanting('SK-41') } as const
    for (const part of ['capacitor', 'belt'])
      expect(matchWants([want(part, 'SK-31')], [offer(part, 'd', from)])[0]!.best).toBeNull()
    expect(matchWants([want('capacitor', 'SK-31')], [offer('capacitor', 's')])[0]!.best).not.toBeNull()
  })
  it('a gearbox and its gears are one thing', () => {
    const from = { place: 'donor', drive: wanting('SK-41') } as const
    const matched = matchWants(
      [want('gears', 'SK-31'), want('eject-gear', 'SK-32')],
      [offer('gears', 'g', from), offer('eject-gear', 'e', from)],
    )
    expect(matched.filter(m => m.best)).toHaveLength(1)
  })
})

describe('who gets which', () => {
  /** Every way, by going through all of them: most served by weight, then the least cost. */
  function bruteForce(cost: (number | null)[][], weight: number[]): { served: number; cost: number } {
    let best = { served: -1, cost: 0 }
    const go = (i: number, used: number[], served: number, sum: number): void => {
      if (i === cost.length) {
        if (served > best.served || (served === best.served && sum < best.cost)) best = { served, cost: sum }
        return
      }
      go(i + 1, used, served, sum)
      cost[i]!.forEach((c, j) => {
        if (c !== null && !used.includes(j)) go(i + 1, [...used, j], served + 100 ** weight[i]!, sum + c)
      })
    }
    go(0, [], 0, 0)
    return best
  }
  it('agrees with going through every way on 300 random benches', () => {
    const bench = fc.record({
      wanting: fc.integer({ min: 1, max: 5 }),
      things: fc.integer({ min: 0, max: 5 }),
      costs: fc.array(fc.option(fc.integer({ min: 0, max: 20 })), { minLength: 25, maxLength: 25 }),
      weights: fc.array(fc.integer({ min: 1, max: 2 }), { minLength: 5, maxLength: 5 }),
    })
    fc.assert(
      fc.property(bench, ({ wanting, things, costs, weights }) => {
        const cost = Array.from({ length: wanting }, (_, i) => costs.slice(i * 5, i * 5 + things))
        const weight = weights.slice(0, wanting)
        const given = assign(cost, weight)
        const taken = given.filter(j => j !== null)
        expect(new Set(taken).size).toBe(taken.length)
        const sum = given.reduce<number>((s, j, i) => s + (j === null ? 0 : cost[i]![j]!), 0)
        const served = given.reduce<number>((s, j, i) => s + (j === null ? 0 : 100 ** weight[i]!), 0)
        expect({ served, cost: sum }).toEqual(bruteForce(cost, weight))
      }),
      { numRuns: 300 },
    )
  })
})

describe('one order for all', () => {
  const capacitor = (tag: string, value: number, volts: number, height?: number) =>
    want('capacitor', tag, { measures: { value, volts, ...(height ? { height } : {}) } })

  it('the higher voltage serves both; another capacitance does not', () => {
    const { items, proved } = orderParts([
      capacitor('SK-31', 10, 16),
      capacitor('SK-32', 10, 35),
      capacitor('SK-33', 47, 16),
    ])
    expect(proved).toBe(true)
    expect(items.map(i => i.measures)).toEqual([
      'capacitance 10 µF, rated voltage 35 V',
      'capacitance 47 µF, rated voltage 16 V',
    ])
  })
  it('the lowest place decides the height', () => {
    expect(orderParts([capacitor('SK-31', 10, 16, 5.4), capacitor('SK-32', 10, 35, 7)]).items).toMatchObject([
      { measures: 'capacitance 10 µF, rated voltage 35 V, height 5.4 mm' },
    ])
  })
  it('parts of which nobody knows the measures are ordered by model, each model once', () => {
    const { items } = orderParts([want('gear-housing', 'SK-31'), want('gear-housing', 'SK-32'), want('heads', 'SK-31')])
    expect(items).toMatchObject([
      { label: 'gear-housing', model: 'Staithe E80', wants: { length: 2 } },
      { label: 'heads', model: 'Staithe E80', wants: { length: 1 } },
    ])
  })
  it('no list is shorter: every way of grouping up to seven pins, 60 random orders', () => {
    const share = { length: 0.02, diameter: 0.03 }
    type Pin = { length: number; diameter: number }
    /** Whether one pin suits all: some length, and some diameter, lies within reach of each. */
    const oneServes = (list: Pin[]) =>
      (['length', 'diameter'] as const).every(
        m =>
          Math.max(...list.map(x => x[m] * (1 - share[m]))) <=
          Math.min(...list.map(x => x[m] * (1 + share[m]))) + 1e-12,
      )
    const fewest = (left: Pin[], groups: Pin[][]): number => {
      const [first, ...rest] = left
      if (!first) return groups.every(oneServes) ? groups.length : Infinity
      return Math.min(
        ...groups.map((g, i) => fewest(rest, groups.with(i, [...g, first]))),
        fewest(rest, [...groups, [first]]),
      )
    }
    const pin = fc.record({
      length: fc.integer({ min: 1000, max: 1080 }).map(x => x / 100),
      diameter: fc.integer({ min: 200, max: 220 }).map(x => x / 100),
    })
    fc.assert(
      fc.property(fc.array(pin, { minLength: 1, maxLength: 7 }), pins => {
        const order = orderParts(pins.map((measures, i) => want('pin', `SK-${i}`, { measures })))
        expect(order).toMatchObject({ proved: true, items: { length: fewest(pins, []) } })
      }),
      { numRuns: 60 },
    )
  })
})
