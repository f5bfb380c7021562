import { describe, expect, it } from 'vitest'
import type { DriveNews, LivePulses } from '../shared/live'
import { livePulsesSchema } from '../shared/live'
import { NewsHub } from '../server/services/drive-news'
import { LiveStreams } from '../server/services/live-streams'

const STREAM = '7a1f9f0e-8f0a-4a6e-9f3a-0d8b5b1c2d3e'
const OTHER = '2b7c1d0e-1f2a-4b6e-8f3a-9d8b5b1c2d3e'
const pulses = (starts: number[], more: Partial<LivePulses> = {}): LivePulses => ({
  stream: STREAM,
  channel: 'INDEX',
  timeS: starts.at(-1) ?? 0,
  starts,
  gaps: [],
  simulated: false,
  ended: false,
  problem: null,
  ...more,
})

/** A hub with one listener, and what it heard. */
function heard() {
  const hub = new NewsHub()
  const news: DriveNews[] = []
  const end = hub.listen('d1', n => news.push(n))
  let clock = 0
  const streams = new LiveStreams(hub, () => clock)
  return { hub, news, end, streams, pass: (ms: number) => (clock += ms) }
}

describe('signals that pass through the server', () => {
  it('go to those who listen to that drive, and to nobody else', () => {
    const { hub, news, end, streams } = heard()
    const others: DriveNews[] = []
    hub.listen('d2', n => others.push(n))
    streams.take('d1', pulses([0.2, 0.4]))
    expect(news).toMatchObject([{ kind: 'pulses', anew: true, starts: [0.2, 0.4] }])
    streams.take('d1', pulses([0.6]))
    expect(news[1]).toMatchObject({ anew: false, starts: [0.6] })
    end()
    streams.take('d1', pulses([0.8]))
    expect(news).toHaveLength(2)
    expect(others).toEqual([])
    streams.stop()
  })

  it('are kept for two minutes, for a page that is opened later', () => {
    const { streams } = heard()
    for (let t = 1; t <= 300; t++) streams.take('d1', pulses([t]))
    const kept = streams.of('d1')!
    expect(kept.starts[0]).toBe(180)
    expect(kept.starts.at(-1)).toBe(300)
    expect(streams.of('d2')).toBeNull()
    streams.stop()
  })

  it('begin anew with another sender or another channel', () => {
    const { news, streams } = heard()
    streams.take('d1', pulses([5, 6]))
    streams.take('d1', pulses([1, 2], { channel: 'ch3' }))
    streams.take('d1', pulses([0.5], { stream: OTHER, channel: 'ch3' }))
    expect(news.map(n => n.kind === 'pulses' && n.anew)).toEqual([true, true, true])
    expect(streams.of('d1')!.starts).toEqual([0.5])
    streams.stop()
  })

  it('are refused where pulses do not rise, and what came before stays', () => {
    const { streams } = heard()
    streams.take('d1', pulses([1, 2]))
    for (const wrong of [[3, 3], [2], [1.5]]) expect(() => streams.take('d1', pulses(wrong))).toThrow(/do not rise/)
    expect(streams.of('d1')!.starts).toEqual([1, 2])
    streams.stop()
  })

  it('tell their sender that a page wants the recording, once for each wish', () => {
    const { streams } = heard()
    expect(() => streams.askToKeep('d1')).toThrow(/No signal/)
    expect(streams.take('d1', pulses([1]))).toEqual({ keep: 0 })
    streams.askToKeep('d1')
    expect(streams.take('d1', pulses([2]))).toEqual({ keep: 1 })
    expect(streams.take('d1', pulses([3]))).toEqual({ keep: 1 })
    streams.stop()
  })

  it('end with a word of their sender, or when that goes silent', () => {
    const { news, streams, pass } = heard()
    streams.take('d1', pulses([1], { ended: true, problem: 'line 9 is broken' }))
    expect(news.at(-1)).toMatchObject({ ended: true, problem: 'line 9 is broken' })
    expect(streams.of('d1')).toBeNull()
    streams.take('d1', pulses([1]))
    pass(10_000)
    streams.sweep()
    expect(streams.of('d1')).not.toBeNull()
    pass(10_000)
    streams.sweep()
    expect(streams.of('d1')).toBeNull()
    expect(news.at(-1)).toMatchObject({ ended: true, starts: [] })
  })
})

describe('a server that stops', () => {
  it('ends what is still listened to, and nothing that has ended', () => {
    const hub = new NewsHub()
    const ended: string[] = []
    hub.listen(
      'd1',
      () => {},
      () => ended.push('one'),
    )
    const gone = hub.listen(
      'd1',
      () => {},
      () => ended.push('two'),
    )
    gone()
    hub.end()
    expect(ended).toEqual(['one'])
  })
})

describe('a log that grows', () => {
  it('is told once for all that was written together, after it stands', async () => {
    const { hub, news } = heard()
    hub.logGrows('d1')
    hub.logGrows('d1')
    expect(news).toEqual([])
    await new Promise(resolve => setTimeout(resolve, 5))
    expect(news).toEqual([{ kind: 'log' }])
  })
})

describe('what a sender may send', () => {
  it.each([
    ['no stream', { stream: undefined }],
    ['a negative time', { starts: [-1] }],
    ['a word for a time', { starts: ['soon'] }],
    ['an endless list', { starts: Array.from({ length: 9000 }, (_, i) => i) }],
    ['a field of another kind', { more: 1 }],
  ])('not %s', async (_, wrong) => {
    await expect(livePulsesSchema.validate({ ...pulses([1]), ...wrong }, { strict: true })).rejects.toThrow()
  })
})
