import { array, mixed, number, object, string, ValidationError, type AnySchema } from 'yup'
import { CALLS, lowerFirst, SOURCE_IDS, type CallKind } from '@wobrin/core/base/observations'
import { MECHANISM_IDS } from '@wobrin/core/drives'
import { ENTRY_DATA_TYPES, ENTRY_KINDS, STATION_IDS } from '@wobrin/core/log'
import { PROOFS } from '@wobrin/core/proof'
import { InputError } from '@wobrin/core/base/errors'
import { beltSchema } from '../../../shared/belts'
import { DISK_EVENT_KINDS } from '../../../shared/disks'
import { spareSchema } from '../../../shared/spares'
import { driveSchema } from '../../../shared/drive-facts'
import { workshopSchema } from '../../../shared/workshop'
import { dateExists, INSTANT, SHA_256, UUID } from '../../../shared/patterns'
import type { ArchiveTable } from './tables'

type Row = Readonly<Record<string, unknown>>

const text = (most: number) => string().max(most).defined()
const id = () => string().matches(UUID, '${path} is not a UUID').required()
const sha = () => string().matches(SHA_256, '${path} is not a SHA-256').required()
const count = () => number().integer().min(0).required()
const one = (known: readonly string[], what: string) =>
  string().oneOf([...known], ({ value }) => `${what} “${String(value).slice(0, 40)}” is not known to this version`)

const dated = (pattern: RegExp) =>
  string()
    .matches(pattern, '${path} is not a date of the form 2026-03-31')
    .test('exists', '${path} is a date that does not exist', dateExists)
const moment = () => dated(INSTANT).required()
const day = () => dated(/^\d{4}-\d\d-\d\d(?:T[\d:.]+Z)?$/).required()

/** An object; what else it holds is for who reads it. */
const holding = (fields: Record<string, AnySchema>) => object(fields).default(undefined)

const observation = holding({
  key: text(200),
  label: text(400),
  value: mixed().test('plain', '${path} is neither a number, a text, nor true or false', v =>
    ['number', 'string', 'boolean'].includes(typeof v),
  ),
  unit: text(60),
  how: text(400),
})

/** Rows by table, columns by their names in the database. What the routes check is checked by the same schemas. */
const SCHEMAS: Readonly<Record<string, AnySchema>> = {
  workshop: object({ id: number().oneOf([1]).required(), settings: workshopSchema.required() }),
  captures: object({ sha: sha(), name: text(400), bytes: count(), kept_at: moment() }),
  photos: object({ sha: sha(), name: text(400), bytes: count(), width: count(), height: count(), kept_at: moment() }),
  profiles: object({ id: id(), profile: holding({ format: text(60).required() }).required(), changed_at: moment() }),
  reference_disks: object({
    id: id(),
    name: text(200),
    mechanism: one(MECHANISM_IDS, 'the drive type').required(),
    written_by: string().matches(UUID, '${path} is not a UUID').nullable().defined(),
    writer: text(200),
    written_at: day(),
    proof: one(Object.keys(PROOFS), 'the kind of proof').required(),
    added_at: moment(),
  }),
  disk_events: object({
    id: id(),
    disk: id(),
    at: moment(),
    kind: one(DISK_EVENT_KINDS, 'the kind').required(),
    detail: text(4000),
  }),
  log_chain: object({
    entry: id(),
    drive_id: id(),
    before: array(sha()).max(2).defined(),
    hash: sha(),
    salt: sha(),
    erased: object({ words: string().matches(SHA_256), photo: string().matches(SHA_256) })
      .nullable()
      .default(undefined),
    first_seq: number().integer().min(1).required(),
  }),
  erased_drives: object({
    id: id(),
    at: moment(),
    entries: count(),
    hash: string()
      .matches(/^(?:[0-9a-f]{64})?$/, '${path} is not a SHA-256')
      .defined(),
  }),
  log_entries: object({
    id: id(),
    drive_id: id(),
    at: moment(),
    kind: one(ENTRY_KINDS, 'the kind').required(),
    station: one(STATION_IDS, 'the station').required(),
    title: text(1000),
    detail: text(20_000),
    call: holding({
      kind: one(Object.keys(CALLS) as CallKind[], 'the call').required(),
      reasons: array(text(4000)).required(),
      next: text(4000),
    }).nullable(),
    observations: array(observation.required('${path} is empty')).defined(),
    evidence: holding({
      source: one(SOURCE_IDS, 'the source').required(),
      by: text(400),
      recording: string().matches(SHA_256, '${path} is not a SHA-256').nullable().defined(),
    }).nullable(),
    data: holding({ type: one(ENTRY_DATA_TYPES, 'what the entry holds,').required() }).nullable(),
    takes_back: string().matches(UUID, '${path} is not a UUID').nullable(),
  }),
}

/** What the routes know by other names: facts of a drive, belts, and parts on the shelf. */
const camel = (name: string) => name.replace(/_(\w)/g, (_, letter: string) => letter.toUpperCase())
const asSent = (t: ArchiveTable, row: Row): Record<string, unknown> =>
  Object.fromEntries(
    Object.entries(row).map(([k, v]) => [camel(k), t.flags.includes(k) && (v === 0 || v === 1) ? v === 1 : v]),
  )
const SENT: Readonly<Record<string, AnySchema>> = {
  drives: driveSchema.shape({ id: id(), receivedAt: moment() }),
  belts: beltSchema.shape({ id: id(), addedAt: moment() }),
  spares: spareSchema.shape({ id: id(), addedAt: moment() }),
}

/**
 * Checks a row of an archive as the routes check what is sent.
 * @throws InputError with file, line, column and what is wrong there
 */
export function checkRow(t: ArchiveTable, row: Row, where: { readonly file: string; readonly line: number }): void {
  try {
    const sent = SENT[t.table]
    if (sent) sent.validateSync(asSent(t, row), { strict: true })
    else SCHEMAS[t.table]?.validateSync(row, { strict: true })
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error
    throw new InputError(
      `the row cannot be kept: ${lowerFirst(error.errors[0]!.replace(/\.$/, ''))}`,
      `a row of ${t.table} as it was exported; a newer version’s archive needs that version`,
      where,
    )
  }
}
