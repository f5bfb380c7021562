import { Type as T, type Static, type TSchema } from '@sinclair/typebox'
import { SOURCE_IDS } from '../../base/observations'
import { OUTCOMES, type Outcome } from '../../log'
import { PROOF_TEST_IDS, RUNG_IDS, type ProofTestId, type RungId } from '../../proof'
import { CERTIFICATE_VERSION } from '../certificate-version'

const text = T.String()
const instant = T.String({ pattern: String.raw`^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?Z$` })
const day = T.String({ pattern: String.raw`^\d{4}-\d\d-\d\d$` })
const sha = T.String({ pattern: '^[0-9a-f]{64}$' })
const words = <W extends string>(ids: readonly W[]) => T.Unsafe<W>({ enum: [...ids] })
const call = words(['leave', 'nudge', 'mend', 'stop', 'unknown'])
const maybe = <S extends TSchema>(schema: S, description?: string) =>
  T.Union([schema, T.Null()], description ? { description } : {})
const list = <S extends TSchema>(items: S, description?: string) =>
  T.Readonly(T.Array(items, description ? { description } : {}))
const record = <P extends Record<string, TSchema>>(properties: P) =>
  T.Object(properties, { additionalProperties: false })

const source = words(SOURCE_IDS)

const measurement = record({
  what: text,
  at: instant,
  value: text,
  number: maybe(T.Number(), 'The value as a number, where it is one, in its unit.'),
  unit: text,
  uncertainty: maybe(T.Number({ minimum: 0 }), 'Half-width of the 95 % interval.'),
  how: text,
  call,
  callLabel: text,
  reason: text,
  source: T.Unsafe<Static<typeof source>>({ ...source, description: 'Where the value comes from.' }),
  by: T.String({ description: 'Instrument, program or tool; empty where the source says all.' }),
  evidence: maybe(sha, 'SHA-256 of the recording that it was computed from.'),
  simulated: T.Boolean({ description: 'It came from the simulated drive.' }),
})

const rung = record({
  id: words(RUNG_IDS),
  reached: T.Boolean(),
  tests: list(
    record({
      id: words(PROOF_TEST_IDS),
      state: words(['passed', 'failed', 'not done']),
      says: text,
      source: maybe(source),
      simulated: T.Boolean(),
    }),
  ),
})

const disk = record({
  name: text,
  trusted: T.Boolean(),
  rests: words(['standard', 'factory', 'nothing', 'itself']),
  chain: list(text, 'Each link in words: the disk, who wrote it, how that drive was verified.'),
  readAt: instant,
})

/** The certificate's form: its JSON Schema (draft 2020-12) and its type are both this. */
export const CERTIFICATE_SCHEMA = T.Object(
  {
    format: T.Literal('wobrin-certificate'),
    version: T.Literal(CERTIFICATE_VERSION),
    state: words<'draft' | Outcome>(['draft', ...(Object.keys(OUTCOMES) as Outcome[])]),
    issuedAt: instant,
    workshop: text,
    drive: record({
      tag: text,
      simulated: T.Boolean({ description: 'It is a software model; nothing in here says anything of a real drive.' }),
      mechanism: text,
      maker: text,
      model: text,
      serial: text,
      host: text,
      receivedAt: instant,
    }),
    machine: record({
      inPlaceOf: maybe(record({ tag: text, at: instant }), 'The drive that had its place in its machine before.'),
      replacedBy: maybe(record({ tag: text, at: instant }), 'The drive that has its place in its machine now.'),
    }),
    asFound: record({ ownerWords: text, speed: maybe(measurement) }),
    asLeft: record({ speed: maybe(measurement) }),
    measurements: list(measurement),
    work: list(record({ at: instant, station: text, what: text, detail: text })),
    complaints: list(
      record({
        id: text,
        what: text,
        state: words(['open', 'cured', 'not seen']),
        seen: words(['told', 'seen here', 'now and then']),
        cause: maybe(text, 'What it turned out to be, where a cure that held shows it.'),
        cure: maybe(text, 'What was done last before it was gone.'),
        proof: list(text, 'What was measured well since then.'),
        says: text,
      }),
      'What it was said to do wrong, each with what became of it.',
    ),
    found: list(
      record({ at: instant, what: text, means: text, call }),
      'What was found on it and still holds, other than what was found good.',
    ),
    overrides: list(record({ at: instant, gate: text, missing: list(text), reason: text }), 'Safety gates overridden.'),
    parts: list(
      record({ at: instant, what: text, from: T.String({ description: 'Tag of the donor; empty for a new part.' }) }),
    ),
    claim: maybe(words(RUNG_IDS), 'Highest verified level with all below it.'),
    rungs: list(rung, 'Every verified level by itself: a test that passed stands, whether or not those below it did.'),
    closedUp: T.Boolean({ description: 'Whether the short proof passed with the covers on.' }),
    referenceDisks: list(disk),
    shown: list(text),
    notShown: list(text),
    cautions: list(text),
    remark: T.String({ description: 'What was written at its release.' }),
    nextService: list(record({ id: text, on: day, what: text, why: text })),
    logHead: T.Object(
      { seq: T.Integer({ minimum: 0 }), entries: T.Integer({ minimum: 0 }), hash: sha },
      {
        additionalProperties: false,
        description: 'Head of the log that it was made from; each entry is sealed with the seal before it.',
      },
    ),
    hash: T.String({ pattern: '^[0-9a-f]{64}$', description: 'SHA-256 of the rest as canonical JSON (RFC 8785).' }),
  },
  {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    $id: `urn:wobrin:schema:certificate:${CERTIFICATE_VERSION}`,
    title: 'Certificate of a drive',
    description: 'What a drive leaves with: what was shown, how surely, and what was not. Times are ISO 8601 in UTC.',
    additionalProperties: false,
  },
)

/** All the way down, nothing of it is changed once it is made. */
type Fixed<X> = X extends readonly (infer I)[]
  ? readonly Fixed<I>[]
  : X extends object
    ? { readonly [K in keyof X]: Fixed<X[K]> }
    : X

/** What a drive leaves with: what was shown, how, and what was not. */
export type Certificate = Fixed<Static<typeof CERTIFICATE_SCHEMA>>
export type CertificateMeasurement = Fixed<Static<typeof measurement>>
/** A reference disk that the drive was judged by, and what its word rests on. */
export type DiskWord = Omit<Fixed<Static<typeof disk>>, 'readAt'>

export type { ProofTestId, RungId }
