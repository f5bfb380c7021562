import { describe, expect, it } from 'vitest'
import { guessSpindleChannel, type Capture } from '../../../src/signals/captures'

function capture(channels: Record<string, number[]>): Capture {
  return {
    fileName: 'a.vcd',
    format: 'vcd',
    durationS: 10,
    notices: [],
    channels: Object.entries(channels).map(([name, times]) => ({
      name,
      edgeCount: times.length,
      edges: { initial: 1 as const, times: Float64Array.from(times), gaps: [] },
    })),
  }
}

const pulses = (every: number, width = 0.004) =>
  Array.from({ length: Math.floor(10 / every) }, (_, i) => [i * every, i * every + width]).flat()
const traffic = Array.from({ length: 3000 }, (_, i) => i * 0.003 + ((i * 7919) % 13) * 1e-4)

describe('guessing the channel with the spindle’s pulses', () => {
  it('prefers the index by name', () => {
    expect(guessSpindleChannel(capture({ STEP: pulses(0.2), nINDEX: pulses(0.2), RDATA: traffic }))?.name).toBe(
      'nINDEX',
    )
  })

  it('goes by rate and regularity where names tell nothing', () => {
    expect(guessSpindleChannel(capture({ D0: traffic, D1: [], D2: pulses(0.2), D3: [1, 2] }))?.name).toBe('D2')
  })

  it('does not take a data, step or side line for the index, however slow it is', () => {
    for (const other of ['RDATA', 'STEP', 'side', 'WRITE_GATE', 'ready', 'disk_change']) {
      expect(guessSpindleChannel(capture({ [other]: pulses(0.2), D7: pulses(0.2) }))?.name).toBe('D7')
    }
  })

  it('gives nothing where nothing changes', () => {
    expect(guessSpindleChannel(capture({ INDEX: [] }))).toBeNull()
  })
})
