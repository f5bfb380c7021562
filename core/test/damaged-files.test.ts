import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { InputError } from '../src/base/errors'
import { checkCertificate } from '../src/release'
import { entry } from './log'
import { readers } from './readers'

/** What may go wrong on a disk or a wire: bytes turned over, cut off, doubled, put elsewhere. */
const damage = (file: Uint8Array) =>
  fc.oneof(
    fc.tuple(fc.nat(file.length - 1), fc.nat(255)).map(([at, to]) => file.with(at, to)),
    fc.nat(file.length).map(at => file.slice(0, at)),
    fc
      .tuple(fc.nat(file.length - 1), fc.nat(40))
      .map(([at, n]) => Uint8Array.from([...file.slice(0, at + n), ...file.slice(at)])),
    fc
      .tuple(fc.nat(file.length - 1), fc.uint8Array({ maxLength: 12 }))
      .map(([at, more]) => Uint8Array.from([...file.slice(0, at), ...more, ...file.slice(at)])),
  )

describe('a damaged file is read, or refused in one sentence', () => {
  it.each(readers())('%s', async (_, file, run) => {
    await run(file)
    await fc.assert(
      fc.asyncProperty(damage(file), async content => {
        try {
          await run(content)
        } catch (error) {
          // JSON that is none is the caller's to say.
          if (error instanceof SyntaxError) return
          expect(error, String((error as Error).stack)).toBeInstanceOf(InputError)
          expect((error as Error).message.split('\n')).toHaveLength(1)
        }
      }),
      { numRuns: 120 },
    )
  })

  it('any JSON at all is judged as a certificate without a fault', () => {
    fc.assert(
      fc.property(fc.jsonValue(), json => {
        expect(checkCertificate(json).state).toBe('no certificate')
      }),
      { numRuns: 200 },
    )
    fc.assert(
      fc.property(
        fc.dictionary(fc.constantFrom('version', 'hash', 'drive', 'logHead', 'state'), fc.jsonValue()),
        json => {
          expect(['changed', 'newer']).toContain(
            checkCertificate({ format: 'wobrin-certificate', ...json }, () => [entry()]).state,
          )
        },
      ),
      { numRuns: 200 },
    )
  })
})
