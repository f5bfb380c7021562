import { describe, expect, it } from 'vitest'
import { AbortedError, InputError, LimitError, ParameterError } from '../src/base/errors'

describe('input errors are one sentence with the place', () => {
  it.each([
    [{}, 'it is wrong; expected right.'],
    [{ file: 'a.vcd' }, 'a.vcd: it is wrong; expected right.'],
    [{ file: 'a.vcd', line: 3 }, 'a.vcd, line 3: it is wrong; expected right.'],
    [{ file: 'a.vcd', byteOffset: 0 }, 'a.vcd, byte 0: it is wrong; expected right.'],
    [{ file: 'a.vcd', line: 3, byteOffset: 40 }, 'a.vcd, line 3, byte 40: it is wrong; expected right.'],
    [{ field: 'tag' }, 'tag: it is wrong; expected right.'],
  ])('%j', (where, sentence) => {
    const error = new InputError('it is wrong', 'right', where)
    expect(error.message).toBe(sentence)
    expect(error.where).toEqual(where)
  })

  it('have names to tell them apart, and are all input errors but a stop', () => {
    expect(
      [new LimitError('a', 'b'), new ParameterError('a', 'b')].map(e => [e.name, e instanceof InputError]),
    ).toEqual([
      ['LimitError', true],
      ['ParameterError', true],
    ])
    expect(new AbortedError()).not.toBeInstanceOf(InputError)
    expect(new AbortedError().message).toBe('Stopped before the end; nothing was kept.')
  })
})
