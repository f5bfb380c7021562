import { OUTCOMES } from '../observations'
import { CERTIFICATE_VERSION } from './certificate'
import { RUNG_IDS } from './proof-tests'

type Schema = Readonly<Record<string, unknown>>
const text: Schema = { type: 'string' }
const instant: Schema = { type: 'string', pattern: String.raw`^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?Z$` }
const day: Schema = { type: 'string', pattern: String.raw`^\d{4}-\d\d-\d\d$` }
const sha: Schema = { type: 'string', pattern: '^[0-9a-f]{64}$' }
const call: Schema = { enum: ['leave', 'nudge', 'mend', 'stop', 'unknown'] }
const maybe = (s: Schema): Schema => ({ anyOf: [s, { type: 'null' }] })
const list = (items: Schema, description?: string): Schema => ({
  type: 'array',
  items,
  ...(description ? { description } : {}),
})
const record = (properties: Readonly<Record<string, Schema>>, description?: string): Schema => ({
  type: 'object',
  properties,
  required: Object.keys(properties),
  additionalProperties: false,
  ...(description ? { description } : {}),
})
const measurement: Schema = { $ref: '#/$defs/measurement' }

/** The certificate as JSON Schema (draft 2020-12), published with the application and beside its documentation. */
export const CERTIFICATE_SCHEMA: Schema = {
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  $id: `urn:wobrin:schema:certificate:${CERTIFICATE_VERSION}`,
  title: 'Certificate of a drive',
  description: 'What a drive leaves with: what was shown, how surely, and what was not. Times are ISO 8601 in UTC.',
  ...record({
    format: { const: 'wobrin-certificate' },
    version: { const: CERTIFICATE_VERSION },
    state: { enum: ['draft', ...Object.keys(OUTCOMES)] },
    issuedAt: instant,
    workshop: text,
    drive: record({
      tag: text,
      mechanism: text,
      maker: text,
      model: text,
      serial: text,
      host: text,
      receivedAt: instant,
    }),
    asFound: record({ ownerWords: text, speed: maybe(measurement) }),
    asLeft: record({ speed: maybe(measurement) }),
    measurements: list(measurement),
    work: list(record({ at: instant, station: text, what: text, detail: text })),
    found: list(
      record({ at: instant, what: text, means: text, call }),
      'What was found on it and still holds, other than what was found good.',
    ),
    overrides: list(
      record({ at: instant, gate: text, missing: list(text), reason: text }),
      'Gates that were passed although they were closed.',
    ),
    parts: list(
      record({ at: instant, what: text, from: { ...text, description: 'Tag of the donor; empty for a new part.' } }),
    ),
    claim: { ...maybe({ enum: [...RUNG_IDS] }), description: 'Highest rung of the ladder of claims that is reached.' },
    closedUp: { type: 'boolean', description: 'Whether the short proof passed with the covers on.' },
    referenceDisks: list(
      record({
        name: text,
        trusted: { type: 'boolean' },
        rests: { enum: ['standard', 'factory', 'nothing', 'itself'] },
        chain: list(text),
        readAt: instant,
      }),
    ),
    shown: list(text),
    notShown: list(text),
    cautions: list(text),
    remark: text,
    nextService: list(record({ id: text, on: day, what: text, why: text })),
    logHead: record(
      { seq: { type: 'integer', minimum: 0 }, entries: { type: 'integer', minimum: 0 }, hash: sha },
      'Head of the log that it was made from; each entry is sealed with the seal before it.',
    ),
    hash: { ...sha, description: 'SHA-256 of the rest as canonical JSON (RFC 8785).' },
  }),
  $defs: {
    measurement: record({
      what: text,
      at: instant,
      value: text,
      number: maybe({ type: 'number' }),
      unit: text,
      uncertainty: { ...maybe({ type: 'number', minimum: 0 }), description: 'Half-width of the 95 % interval.' },
      how: text,
      call,
      callLabel: text,
      reason: text,
      evidence: { ...maybe(sha), description: 'SHA-256 of the recording it was computed from.' },
      simulated: { type: 'boolean' },
    }),
  },
}
