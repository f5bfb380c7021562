import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { InputError } from '../../../src/base/errors'
import { DRIVES, HOSTS, readProfile } from '../../../src/drives/hosts'

const change = (profile: object, path: string, value: unknown): string => {
  const copy = JSON.parse(JSON.stringify(profile))
  const keys = path.split('.')
  const last = keys.pop()!
  const at = keys.reduce((o, k) => o[k], copy)
  // What is undefined is left out of the text.
  at[last] = value
  return JSON.stringify(copy)
}

describe('profiles as JSON', () => {
  it.each([...HOSTS, ...DRIVES].map(p => [p.name, p] as const))('%s comes back as it went out', (_, p) => {
    expect(readProfile(JSON.stringify(p, null, 2))).toEqual(p)
  })

  it.each([
    ['cut short', JSON.stringify(HOSTS[0]).slice(0, 200), /it is not JSON/],
    ['something else', '{"a":1}', /no profile of a host or of a drive/],
    ['a list', '[]', /no profile of a host or of a drive/],
    ['nothing', 'null', /no profile/],
    [
      'a newer version',
      change(HOSTS[0]!, 'version', 2),
      /version 2, newer than this program knows; expected version 1/,
    ],
    [
      'a pin beyond the plug',
      change(DRIVES[0]!, 'choices.1.positions.0.lines.0.pin', 36),
      /choices\[1\]\.positions\[0\]\.lines\[0\]\.pin: pin 36 of a plug with 34/,
    ],
    ['half a pin', change(DRIVES[0]!, 'choices.1.positions.0.lines.0.pin', 3.5), /a pin is a whole number/],
    [
      'an unknown line',
      change(HOSTS[0]!, 'needs.0.wants.0.signal', 'chatter'),
      /needs\[0\]\.wants\[0\]\.signal: a line is one of select, motor/,
    ],
    [
      'an unknown value',
      change(DRIVES[0]!, 'choices.3.positions.0.ways.0.value', 'sometimes'),
      /“sometimes” is no value of motor-turns; expected motor-line, select/,
    ],
    [
      'a found that is none',
      change(DRIVES[0]!, 'choices.0.found', 's9'),
      /“s9” is no position of Select strap; expected s0, s1/,
    ],
    ['an id twice', change(HOSTS[0]!, 'needs.1.id', 'index'), /the id “index” stands twice/],
    ['something unknown', change(HOSTS[0]!, 'colour', 'red'), /unspecified keys: colour/],
    ['no name', change(HOSTS[0]!, 'name', undefined), /name is left out/],
    [
      'too large',
      JSON.stringify({ ...HOSTS[0], note: 'x'.repeat(300_000) }),
      /characters long; expected a profile of at most/,
    ],
  ])('%s is refused in a sentence', (_, text, sentence) => {
    expect(() => readProfile(text, 'mine.json')).toThrow(sentence)
    expect(() => readProfile(text, 'mine.json')).toThrow(/^mine\.json.*\.$/s)
  })

  it('whatever is in the file, it is read or refused in a sentence', () => {
    const bent = fc
      .constantFrom(...HOSTS, ...DRIVES)
      .chain(p => fc.record({ text: fc.constant(JSON.stringify(p)), at: fc.nat(), put: fc.string({ maxLength: 6 }) }))
    fc.assert(
      fc.property(
        fc.oneof(
          fc.json(),
          bent.map(
            ({ text, at, put }) => text.slice(0, at % text.length) + put + text.slice((at % text.length) + put.length),
          ),
        ),
        text => {
          try {
            readProfile(text)
          } catch (error) {
            expect(error).toBeInstanceOf(InputError)
            expect((error as Error).message).toMatch(/\.$/)
          }
        },
      ),
      { numRuns: 300 },
    )
  })
})
