import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { beltPath, beltCalculator, insideLength, beltStretch } from '../../../src/calculators/mechanics'
import { openBeltLength } from '../../../src/drives'
import { judgeCalculator } from '../../../src/calculators/calculator'

const sizes = fc.record({
  r1: fc.double({ min: 1, max: 20, noNaN: true }),
  r2: fc.double({ min: 1, max: 60, noNaN: true }),
  gap: fc.double({ min: 1, max: 150, noNaN: true }),
})

describe('the path of a belt', () => {
  it('round two pulleys is the exact open-belt length, whichever way it is turned', () => {
    fc.assert(
      fc.property(sizes, fc.double({ min: 0, max: 6.28, noNaN: true }), ({ r1, r2, gap }, turn) => {
        const c = r1 + r2 + gap
        const path = beltPath([
          { x: 0, y: 0, r: r1 },
          { x: c * Math.cos(turn), y: c * Math.sin(turn), r: r2 },
        ])
        expect(path.length).toBeCloseTo(openBeltLength(c, 2 * Math.max(r1, r2), 2 * Math.min(r1, r2)), 6)
        expect(path.wraps[0]! + path.wraps[1]!).toBeCloseTo(2 * Math.PI, 9)
      }),
    )
  })

  // Machine-design handbooks: L ≈ 2C + π(D + d)/2 + (D − d)²/4C.
  it('agrees with the handbooks’ approximation where the pulleys are far apart', () => {
    const [D, d, C] = [62, 9, 70]
    const exact = beltPath([
      { x: 0, y: 0, r: d / 2 },
      { x: C, y: 0, r: D / 2 },
    ]).length
    expect(Math.abs(exact / (2 * C + (Math.PI * (D + d)) / 2 + (D - d) ** 2 / (4 * C)) - 1)).toBeLessThan(0.005)
  })

  it('crossed, it is the textbook’s crossed belt: both arcs alike', () => {
    const [D, d, C] = [62, 30, 100]
    const path = beltPath([
      { x: 0, y: 0, r: d / 2 },
      { x: C, y: 0, r: D / 2, outside: true },
    ])
    const phi = Math.asin((D + d) / (2 * C))
    expect(path.length).toBeCloseTo(2 * C * Math.cos(phi) + ((Math.PI + 2 * phi) * (D + d)) / 2, 9)
  })

  it('equal pulleys: twice the distance and one circumference', () => {
    expect(
      beltPath([
        { x: 0, y: 0, r: 10 },
        { x: 80, y: 0, r: 10 },
      ]).length,
    ).toBeCloseTo(160 + 20 * Math.PI, 9)
  })

  it('an idler that only touches adds nothing, one that presses adds something, and three pulleys wrap one whole turn', () => {
    const two = [
      { x: 0, y: 0, r: 10 },
      { x: 80, y: 0, r: 10 },
    ]
    const plain = beltPath(two).length
    // On the far run (y = 10), from outside: just touching at y = 10 + 4.
    expect(beltPath([...two, { x: 40, y: 14, r: 4, outside: true }]).length).toBeCloseTo(plain, 4)
    expect(beltPath([...two, { x: 40, y: 11, r: 4, outside: true }]).length).toBeGreaterThan(plain)
    const inside = beltPath([...two, { x: 40, y: 20, r: 4 }])
    expect(inside.length).toBeGreaterThan(plain)
    expect(inside.wraps.reduce((a, b) => a + b)).toBeCloseTo(2 * Math.PI, 9)
  })

  it('pulleys that overlap are said', () => {
    expect(() =>
      beltPath([
        { x: 0, y: 0, r: 10 },
        { x: 15, y: 0, r: 10 },
      ]),
    ).toThrow('two pulleys overlap')
  })
})

describe('the belt instrument', () => {
  const typed = { motor: '9', flywheel: '62', centre: '70', section: '1.2' }

  it('orders what, fitted, is stretched as it should be', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 100, max: 600, noNaN: true }),
        fc.double({ min: 0.01, max: 0.1, noNaN: true }),
        fc.double({ min: 0.5, max: 3, noNaN: true }),
        (path, stretch, section) => {
          expect(beltStretch(path, insideLength(path, stretch, section), section)).toBeCloseTo(stretch, 9)
        },
      ),
    )
    const { result } = judgeCalculator(beltCalculator, typed)
    const order = result!.observations[0]!.value as number
    expect(judgeCalculator(beltCalculator, { ...typed, candidate: String(order) }).result!.call.kind).toBe('leave')
    expect(judgeCalculator(beltCalculator, { ...typed, candidate: String(order * 1.04) }).result!.call).toMatchObject({
      kind: 'mend',
      reasons: [expect.stringMatching(/it slips/)],
    })
    expect(
      judgeCalculator(beltCalculator, { ...typed, candidate: String(order * 1.1) }).result!.call.reasons[0],
    ).toMatch(/hangs loose/)
    expect(judgeCalculator(beltCalculator, { ...typed, candidate: String(order * 0.955) }).result!.call).toMatchObject({
      kind: 'mend',
      reasons: [expect.stringMatching(/too tight/)],
    })
    expect(judgeCalculator(beltCalculator, { ...typed, candidate: String(order * 0.9) }).result!.call.kind).toBe('stop')
  })

  it('turns inches, and names the slip', () => {
    const inches = judgeCalculator(beltCalculator, {
      motor: '0.354 in',
      flywheel: '2.441 in',
      centre: '2.756 in',
      section: '1.2',
    }).result!
    expect(inches.lines[0]!.value as number).toBeCloseTo(
      judgeCalculator(beltCalculator, typed).result!.lines[0]!.value as number,
      1,
    )
    const slip = (motorSpeed: number) =>
      judgeCalculator(beltCalculator, { ...typed, spindle: '300', motorSpeed: String(motorSpeed) }).result!.call
    const exact = (300 * (62 + 1.2)) / (9 + 1.2)
    expect(slip(exact).kind).toBe('leave')
    expect(slip(exact * 1.05)).toMatchObject({ kind: 'mend', reasons: ['The belt slips by 4.8 %.'] })
    expect(slip(exact * 0.95)).toMatchObject({ kind: 'unknown' })
  })

  it.each([
    [
      { ...typed, centre: '30' },
      'centre: pulleys of 9 and 62 mm overlap at 30 mm between centres; expected more than 35.5 mm.',
    ],
    [{ ...typed, motor: '0' }, 'motor: Motor pulley cannot be 0; expected more than 0.'],
    [
      { ...typed, idler: '6' },
      'idlerX: the idler’s place is left out; expected how far along and how far beside the line between the centres.',
    ],
  ])('%j is said in a sentence', (input, sentence) => {
    expect(() => judgeCalculator(beltCalculator, input)).toThrow(sentence)
  })
})
