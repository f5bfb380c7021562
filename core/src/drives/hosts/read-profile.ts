import { array, number, object, string, ValidationError, type Schema } from 'yup'
import { InputError } from '../../base/errors'
import type { DriveProfile, Effects, HostProfile } from './profile'
import { MODE_IDS, SIGNAL_IDS, valuesOf, type Mode } from './signals'

/** Sizes beyond which a profile is none. */
const MOST = { bytes: 200_000, choices: 24, positions: 8, needs: 60, wants: 6, lines: 60 } as const

const name = (what: string) =>
  string().strict().trim().required(`${what} is left out`).max(120, `${what} has at most 120 characters`)
const pin = () =>
  number()
    .strict()
    .typeError('a pin is a whole number')
    .integer('a pin is a whole number')
    .min(1, 'pins are counted from 1')
    .max(100, 'no plug has more than 100 pins')
    .required('the pin is left out')
const signal = () =>
  string()
    .strict()
    .oneOf(SIGNAL_IDS, `a line is one of ${SIGNAL_IDS.join(', ')}`)
    .required('the line is left out')
const mode = () =>
  string()
    .strict()
    .oneOf(MODE_IDS, `a way is one of ${MODE_IDS.join(', ')}`)
    .required('the way is left out')
const id = () =>
  string()
    .strict()
    .matches(/^[\w-]{1,60}$/, 'an id is of letters, digits, - and _')
    .required('an id is left out')
const text = () => string().strict().max(300, 'a text has at most 300 characters').optional()

const effects = {
  lines: array(object({ signal: signal(), pin: pin() }).noUnknown())
    .strict()
    .max(MOST.lines, `at most ${MOST.lines} lines`)
    .optional(),
  ways: array(object({ mode: mode(), value: string().strict().required('the value of a way is left out') }).noUnknown())
    .strict()
    .max(MOST.lines)
    .optional(),
}
const head = (format: string) => ({
  format: string().strict().oneOf([format]).required(),
  version: number().strict().oneOf([1]).required(),
  name: name('the profile’s name'),
  pins: number()
    .strict()
    .typeError('the number of pins is a number')
    .integer()
    .min(2, 'a plug has 2 pins or more')
    .max(100, 'no plug has more than 100 pins')
    .required('the number of pins is left out'),
  note: text(),
})

const driveSchema = object({
  ...head('wobrin-drive-profile'),
  fixed: object(effects).noUnknown().required('the fixed lines are left out'),
  choices: array(
    object({
      id: id(),
      label: name('a strap’s name'),
      kind: string()
        .strict()
        .oneOf(['strap', 'wire', 'cut'], 'a choice is a strap, a wire or a cut')
        .required('the kind is left out'),
      positions: array(object({ id: id(), label: name('a position’s name'), ...effects }).noUnknown())
        .strict()
        .min(1, 'a strap has a position')
        .max(MOST.positions, `a strap has at most ${MOST.positions} positions`)
        .required('the positions are left out'),
      found: string().strict().optional(),
    }).noUnknown(),
  )
    .strict()
    .max(MOST.choices, `a drive has at most ${MOST.choices} straps and wires`)
    .required('the straps are left out'),
}).noUnknown()

const hostSchema = object({
  ...head('wobrin-host-profile'),
  needs: array(
    object({
      id: id(),
      weight: string()
        .strict()
        .oneOf(['must', 'expected', 'notice'], 'a need is a must, is expected or is noticed')
        .required('the weight is left out'),
      wants: array(
        object({
          kind: string()
            .strict()
            .oneOf(['line', 'way', 'quiet'], 'a want is a line, a way or quiet')
            .required('the kind is left out'),
          signal: signal().when('kind', {
            is: 'line',
            otherwise: s => s.optional().oneOf([undefined], 'only a line has a signal'),
          }),
          pin: pin().when('kind', { is: 'way', then: s => s.optional().oneOf([undefined], 'a way has no pin') }),
          mode: mode().when('kind', {
            is: 'way',
            otherwise: s => s.optional().oneOf([undefined], 'only a way has a mode'),
          }),
          oneOf: array(string().strict().required())
            .strict()
            .min(1, 'a way has a value')
            .when('kind', { is: 'way', then: s => s.required('the values of a way are left out') }),
          but: text(),
        }).noUnknown(),
      )
        .strict()
        .min(1, 'a need wants something')
        .max(MOST.wants, `a need has at most ${MOST.wants} ways to be met`)
        .required('what is wanted is left out'),
      otherwise: text(),
    }).noUnknown(),
  )
    .strict()
    .max(MOST.needs, `a host has at most ${MOST.needs} needs`)
    .required('the needs are left out'),
}).noUnknown()

/**
 * Reads a profile of a host or of a drive from JSON.
 * @param text the file's content
 * @throws InputError naming the field and what was expected there
 */
export function readProfile(text: string, file?: string): HostProfile | DriveProfile {
  if (text.length > MOST.bytes)
    throw new InputError(`it is ${text.length} characters long`, `a profile of at most ${MOST.bytes}`, { file })
  let json: unknown
  try {
    json = JSON.parse(text)
  } catch (error) {
    throw new InputError(
      `it is not JSON (${(error as Error).message.slice(0, 80)})`,
      'a profile of a host or of a drive',
      { file },
    )
  }
  return checkProfile(json, file)
}

/**
 * Checks what claims to be a profile.
 * @throws InputError
 */
export function checkProfile(json: unknown, file?: string): HostProfile | DriveProfile {
  const format = (json as { format?: unknown } | null)?.format
  const version = (json as { version?: unknown } | null)?.version
  if (format !== 'wobrin-host-profile' && format !== 'wobrin-drive-profile')
    throw new InputError(
      'it is no profile of a host or of a drive',
      'format “wobrin-host-profile” or “wobrin-drive-profile”',
      { file, field: 'format' },
    )
  if (typeof version === 'number' && version > 1)
    throw new InputError(`it is of version ${version}, newer than this program knows`, 'version 1', {
      file,
      field: 'version',
    })
  if (format === 'wobrin-host-profile') return checkHost(valid(hostSchema, json, file) as unknown as HostProfile, file)
  return checkDrive(valid(driveSchema, json, file) as unknown as DriveProfile, file)
}

function valid(schema: Schema, json: unknown, file?: string): unknown {
  try {
    return schema.validateSync(json, { abortEarly: true, strict: true })
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error
    throw new InputError(error.message.split('\n')[0]!.slice(0, 300), 'a profile as CONTRIBUTING.md describes it', {
      file,
      field: error.path || undefined,
    })
  }
}

function checkDrive(p: DriveProfile, file?: string): DriveProfile {
  inPlug(p.fixed, p.pins, 'fixed', file)
  once(
    p.choices.map(c => c.id),
    'choices',
    file,
  )
  for (const [i, c] of p.choices.entries()) {
    once(
      c.positions.map(x => x.id),
      `choices[${i}].positions`,
      file,
    )
    if (c.found !== undefined && !c.positions.some(x => x.id === c.found))
      throw new InputError(`“${c.found}” is no position of ${c.label}`, c.positions.map(x => x.id).join(', '), {
        file,
        field: `choices[${i}].found`,
      })
    for (const [j, x] of c.positions.entries()) inPlug(x, p.pins, `choices[${i}].positions[${j}]`, file)
  }
  return p
}

function checkHost(p: HostProfile, file?: string): HostProfile {
  once(
    p.needs.map(n => n.id),
    'needs',
    file,
  )
  for (const [i, n] of p.needs.entries()) {
    for (const [j, w] of n.wants.entries()) {
      const field = `needs[${i}].wants[${j}]`
      if (w.kind === 'way') for (const v of w.oneOf) knownValue(w.mode, v, field, file)
      else if (w.pin > p.pins)
        throw new InputError(`pin ${w.pin} of a plug with ${p.pins}`, `1 to ${p.pins}`, { file, field: `${field}.pin` })
    }
  }
  return p
}

function inPlug(e: Effects, pins: number, field: string, file?: string): void {
  for (const [i, l] of (e.lines ?? []).entries())
    if (l.pin > pins)
      throw new InputError(`pin ${l.pin} of a plug with ${pins}`, `1 to ${pins}`, {
        file,
        field: `${field}.lines[${i}].pin`,
      })
  for (const [i, w] of (e.ways ?? []).entries()) knownValue(w.mode, w.value, `${field}.ways[${i}]`, file)
}

function knownValue(mode: Mode, value: string, field: string, file?: string): void {
  const known = valuesOf(mode).map(([v]) => v)
  if (!known.includes(value))
    throw new InputError(`“${value}” is no value of ${mode}`, known.join(', '), { file, field })
}

function once(ids: readonly string[], field: string, file?: string): void {
  const twice = ids.find((x, i) => ids.indexOf(x) !== i)
  if (twice !== undefined) throw new InputError(`the id “${twice}” stands twice`, 'each id once', { file, field })
}
