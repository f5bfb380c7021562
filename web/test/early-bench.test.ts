import { describe, expect, it } from 'vitest'
import type { NextThing } from '../../core/src/bench/stations'
import { earlyBench } from '../server/services/early-bench'
import type { BenchWait } from '../shared/bench'
import { uuid } from './helpers'

const thing = (part: Partial<NextThing> = {}): NextThing => ({
  driveId: uuid(1),
  tag: 'SK-01',
  title: 'Look at the belt',
  reason: 'It was not looked at yet.',
  minutes: 5,
  station: 'look',
  ofCase: false,
  ...part,
})
const wait: BenchWait = {
  driveId: uuid(2),
  tag: 'SK-02',
  entryId: uuid(9),
  what: 'Oil soaking in',
  endsAt: '2026-03-01T10:00:00Z',
  share: 0.5,
  over: false,
}
const early = (next: NextThing[], waits: BenchWait[] = []) => earlyBench({ next, waits, setAside: [] })

describe('what to do next in the page itself', () => {
  it('leads to the station of the first thing, or to the case that asks for it', () => {
    expect(early([thing()])).toContain(`href="/drives/${uuid(1)}?station=look"`)
    expect(early([thing({ ofCase: true })])).toContain(`href="/drives/${uuid(1)}?view=case"`)
  })

  it('names four more', () => {
    const next = Array.from({ length: 7 }, (_, i) => thing({ driveId: uuid(i + 1), tag: `SK-0${i + 1}` }))
    const html = early(next)!
    for (const n of [2, 3, 4, 5]) expect(html).toContain(`href="/drives/${uuid(n)}"`)
    expect(html).not.toContain(uuid(6))
  })

  it('is not there where the page begins with something else', () => {
    expect(early([])).toBeNull()
    const aside = [{ id: uuid(3), tag: 'SK-03', reason: 'x' }]
    expect(earlyBench({ next: [thing()], waits: [], setAside: aside })).toBeNull()
  })

  it('leaves room for what is waited for only where something is', () => {
    expect(early([thing()])).not.toContain('coming-beside')
    expect(early([thing()], [wait])).toContain('coming-beside')
  })

  it('shows whatever was typed as text: a page’s own inline scripts are allowed by what they hold', () => {
    const typed = `"><script>alert(1)</script><img src=x onerror='alert(2)'>&\``
    const html = early([thing({ tag: typed, title: typed, reason: typed }), thing({ tag: typed, title: typed })])!
    expect(html).not.toMatch(/<script|<img|onerror='/)
    // Every mark that could begin or end something is from the template.
    const bare = early([thing({ tag: '', title: '', reason: '' }), thing({ tag: '', title: '' })])!
    for (const mark of ['<', '>', '"', "'", '`']) expect(html.split(mark)).toHaveLength(bare.split(mark).length)
  })
})
