import { describe, expect, it } from 'vitest'
import { evidenceBy, evidenceWords, SOURCE_IDS, SOURCES, sourceName } from '../../../src/base/observations'

describe('where a value comes from', () => {
  it.each([
    [evidenceBy('host', 'the host’s own program'), 'by the host’s own program', 'the host’s own program'],
    [evidenceBy('hand', 'a strobe that stands still'), 'by a strobe that stands still', 'a strobe that stands still'],
    [evidenceBy('hand'), 'by eye, ear or finger', 'by hand'],
    [evidenceBy('said', 'the owner'), 'as the owner said', 'the owner'],
    [evidenceBy('said'), 'as somebody said', 'said'],
    [evidenceBy('meter'), 'by a meter', 'meter'],
    // Who ran it does not make a recording or the simulated drive anything else.
    [{ source: 'recording', by: 'Speed', recording: 'ab'.repeat(32) } as const, 'from a recording', 'Speed'],
    [{ source: 'simulated', by: 'Speed', recording: null } as const, 'by the simulated drive', 'the simulated drive'],
    [evidenceBy('instrument', 'Belt'), 'worked out here from typed values', 'Belt'],
  ])('%j is “%s”', (evidence, words, name) => {
    expect(evidenceWords(evidence)).toBe(words)
    expect(sourceName(evidence)).toBe(name)
  })
  it('every source has its words', () => {
    expect(SOURCE_IDS).toEqual(['recording', 'instrument', 'meter', 'probe', 'host', 'hand', 'said', 'simulated'])
    for (const id of SOURCE_IDS) {
      expect(SOURCES[id].label).toBeTruthy()
      expect(evidenceWords(evidenceBy(id))).toBe(SOURCES[id].words)
    }
  })
})
