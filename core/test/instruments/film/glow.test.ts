import { describe, expect, it } from 'vitest'
import { findGlow, type Grey } from '../../../src/instruments/film'
import { noise } from '../../noise'

const [width, height] = [160, 120]
/** A dim bench with grain, and spots on it. */
function picture(seed: number, spots: readonly [x: number, y: number, rise: number, radius: number][] = []): Grey {
  const random = noise(seed)
  const values = Float32Array.from({ length: width * height }, (_, i) => {
    const [x, y] = [i % width, Math.floor(i / width)]
    const glow = spots.reduce(
      (s, [cx, cy, rise, r]) => s + rise * Math.exp(-((x - cx) ** 2 + (y - cy) ** 2) / r ** 2),
      0,
    )
    return Math.min(255, 18 + 8 * Math.sin(x / 20) + 6 * random() + glow)
  })
  return { width, height, values }
}

describe('an infrared LED in the dark', () => {
  it('is found where it glows', () => {
    const seen = findGlow(picture(1), picture(2, [[121, 33, 90, 3]]))
    expect(seen.glow).not.toBeNull()
    expect(seen.glow!.x * width).toBeCloseTo(121, -0.5)
    expect(seen.glow!.y * height).toBeCloseTo(33, -0.5)
  })
  it('is not found where nothing changed, or only grain did', () => {
    for (let seed = 1; seed < 40; seed += 2)
      expect(findGlow(picture(seed), picture(seed + 1))).toEqual({ glow: null, moved: false })
  })
  it('cannot be looked for where the room became lighter, or the camera moved', () => {
    const lighter = picture(4)
    expect(findGlow(picture(3), { ...lighter, values: Float32Array.from(lighter.values, v => v + 40) })).toEqual({
      glow: null,
      moved: true,
    })
    expect(findGlow({ ...picture(3), width: 120, height: 160 }, picture(4))).toEqual({ glow: null, moved: true })
    // A bright thing that stands elsewhere.
    const seen = findGlow(picture(3, [[60, 60, 150, 30]]), picture(4, [[90, 60, 150, 30]]))
    expect(seen.glow).toBeNull()
  })
})
