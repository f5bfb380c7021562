import { describe, expect, it } from 'vitest'
import { judgeGlow } from '../../../src/instruments/film'

describe('the call on a glow', () => {
  it('takes dark for evidence only from a camera that sees infrared', () => {
    const dark = { glow: null, moved: false } as const
    expect(judgeGlow(dark, true)).toMatchObject({ reading: 'dark', call: { kind: 'unknown' } })
    expect(judgeGlow(dark, false).reading).toBeNull()
    expect(judgeGlow({ glow: null, moved: true }, true).reading).toBeNull()
    expect(judgeGlow({ glow: { x: 0.5, y: 0.5 } }, false)).toMatchObject({ reading: 'glows', call: { kind: 'leave' } })
  })
})
