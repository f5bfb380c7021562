import { describe, expect, it } from 'vitest'
import { standingFindings } from '../../src/findings'
import type { LogEntry } from '../../src/log'
import { entry, found } from '../log'

const ids = (log: LogEntry[]) => standingFindings(log).map(f => (f.place ? `${f.finding.id}@${f.place}` : f.finding.id))

describe('findings that hold', () => {
  it('a later answer replaces the earlier one', () => {
    expect(ids([found('belt.goo'), found('belt.off', 'open'), found('belt.new', 'drive-train')])).toEqual(['belt.new'])
  })

  it('several hold together until a clean one is found', () => {
    const log = [found('smell.fish'), found('smell.burnt')]
    expect(ids(log)).toEqual(['smell.fish', 'smell.burnt'])
    expect(ids([...log, found('smell.none', 'clean')])).toEqual(['smell.none'])
    expect(ids([found('smell.none'), found('smell.fish')])).toEqual(['smell.fish'])
  })

  it('each place has its own answer, and saying where replaces having said only that', () => {
    expect(
      ids([
        found('lacquer.broken'),
        found('lacquer.broken', 'look', 'speed trimmer'),
        found('lacquer.whole', 'look', 'stepper body'),
      ]),
    ).toEqual(['lacquer.broken@speed trimmer', 'lacquer.whole@stepper body'])
    expect(
      ids([
        found('corrosion.green', 'look', 'connector'),
        found('corrosion.rust', 'look', 'chassis'),
        found('corrosion.cleaned', 'clean', 'connector'),
      ]),
    ).toEqual(['corrosion.rust@chassis', 'corrosion.cleaned@connector'])
    expect(
      ids([
        found('corrosion.green', 'look', 'connector'),
        found('corrosion.rust', 'look', 'chassis'),
        found('corrosion.cleaned', 'clean'),
      ]),
    ).toEqual(['corrosion.cleaned'])
  })

  it('a repair clears what it cured elsewhere', () => {
    expect(ids([found('smell.fish'), found('caps.leaking'), found('caps.replaced', 'clean')])).toEqual([
      'caps.replaced',
    ])
  })

  it('what was taken back no longer holds, and what it had replaced holds again', () => {
    const wrong = found('belt.sound')
    expect(ids([found('belt.goo'), wrong, entry({ kind: 'taken-back', takesBack: wrong.id })])).toEqual(['belt.goo'])
  })
})
