import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { ZeroRuns } from '../../../src/signals/captures'

const RATE = 8000
/** Stretches of silence and of sound, in turn; 17 samples of silence count, 15 do not. */
const stretches = fc.array(
  fc.tuple(
    fc.integer({ min: 0, max: 40 }).filter(silent => silent !== 16),
    fc.integer({ min: 1, max: 300 }),
  ),
  {
    minLength: 1,
    maxLength: 30,
  },
)

describe('exact silence within a sound', () => {
  it('is found however the samples come, as by looking at each', () => {
    fc.assert(
      fc.property(
        stretches,
        fc.array(fc.integer({ min: 1, max: 90 }), { minLength: 1, maxLength: 7 }),
        (list, cuts) => {
          const x = Int16Array.from(
            list.flatMap(([silent, loud]) => [
              ...Array.from({ length: silent }, () => 0),
              ...Array.from({ length: loud }, (_, i) => (i % 5 === 3 && i < loud - 1 ? 0 : 9)),
            ]),
          )
          const [each, pieces] = [new ZeroRuns(RATE), new ZeroRuns(RATE)]
          x.forEach((v, i) => each.push(i / RATE, v))
          for (let at = 0, k = 0; at < x.length; k++) {
            const n = cuts[k % cuts.length]!
            pieces.pushAll(x.subarray(at, at + n), at)
            at += n
          }
          expect(pieces.gaps()).toEqual(each.gaps())
          const runs = list.slice(1).filter(([silent]) => silent > 16).length
          const share = list.reduce((s, [silent]) => s + (silent > 16 ? silent : 0), 0) / x.length
          if (share < 0.2) expect(each.gaps().length).toBe(runs)
        },
      ),
      {
        numRuns: 300,
        examples: [
          [
            [
              [0, 1],
              [17, 1],
              [0, 67],
            ],
            [1],
          ],
        ],
      },
    )
  })
})
