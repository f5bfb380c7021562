import { ParameterError } from '../../base/errors'
import type { CallKind } from '../../base/observations'
import { readQuantity } from '../../calculators/calculator'
import { busOf } from '../../calculators/electronics'
import { findCheck } from '../knowledge/knowledge'

/** Values of a calculator as they were typed. */
type Typed = Readonly<Record<string, string>>

/** One answer that a calculator's fields give. */
export interface CalculatorAnswer {
  readonly key: string
  readonly value: string | number
  readonly unit: string
}

/** A field that is a reading: its key, and the reading's words for the field's own where they differ. */
interface FieldAs {
  readonly key: string
  readonly words?: Readonly<Record<string, string>>
  readonly unit?: string
}

/** Fields of calculators that are readings, each the same measurement under another name. */
const FIELDS: Readonly<Record<string, Readonly<Record<string, FieldAs>>>> = {
  processor: {
    supply: { key: 'supply.5v', words: { good: 'right', low: 'low' } },
    heat: { key: 'see.hot', words: { good: 'cool', hot: 'hot' } },
    reset: { key: 'processor.reset' },
    clock: { key: 'processor.clock' },
    irq: { key: 'processor.irq' },
    bus: { key: 'processor.bus' },
    select: { key: 'processor.select' },
    host: { key: 'serial.data.drive', words: { good: 'high', held: 'low' } },
    ram: { key: 'swap.memory' },
    rom: { key: 'swap.program-memory' },
    port: { key: 'swap.port-chip' },
    cpu: { key: 'swap.processor' },
  },
  'serial-bus': Object.fromEntries(
    ['attention', 'clock', 'data'].map(line => [`${line}-drive`, { key: `serial.${line}.drive`, unit: 'V' }]),
  ),
  'host-sees': { health: { key: 'see.disk-in', words: { works: 'yes', in: 'always', out: 'never' } } },
}

/** Levels of a line that should idle high, at the drive and with the cable off. */
const LINE_LEVELS: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  now: { low: 'stuck low', between: 'between', swings: 'right' },
  cable: { low: 'low', between: 'between', high: 'high' },
}

/** What the contacts of a switch come to, by the call of the calculator that found them. */
const SWITCH_WORDS: Readonly<Partial<Record<CallKind, string>>> = { leave: 'follows', mend: 'stuck open' }

/** Calculators whose call answers a check: right where it says to leave it, the other word where it does not. */
const CALLS_AS: Readonly<Record<string, { readonly key: string; readonly right: string; readonly wrong: string }>> = {
  azimuth: { key: 'azimuth', right: 'right', wrong: 'off' },
  'index-burst': { key: 'index.timing', right: 'right', wrong: 'off' },
  capacitor: { key: 'capacitor.reading', right: 'right', wrong: 'low' },
  wiggle: { key: 'wiggle.wire', right: 'same', wrong: 'changes' },
}

const answer = (key: string, value: string | number, unit = ''): CalculatorAnswer => ({ key, value, unit })

/** Volts as they were typed; null where they cannot be read. */
function voltsOf(typed: string | undefined): number | null {
  if (!typed) return null
  try {
    return readQuantity(typed, 'voltage', 'Voltage')
  } catch (error) {
    if (error instanceof ParameterError) return null
    throw error
  }
}

/** Readings that need two fields, or the call, to be told. */
const TOGETHER: Readonly<Record<string, (v: Typed, call: CallKind | null) => CalculatorAnswer[]>> = {
  processor: v => {
    const rows = Object.entries(v).flatMap(([key, shows]) =>
      /^lines\.\d+\.shows$/.test(key) ? [{ row: 0, shows }] : [],
    )
    const bus = busOf(rows)
    // Lines told one by one say more than what was typed for all of them.
    return bus ? [answer('processor.bus', bus)] : []
  },
  logic: v => {
    if (!v.line || v.expected === 'swings') return []
    return (['now', 'cable'] as const).flatMap(test => {
      const level = LINE_LEVELS[test]![v[test] ?? '']
      return level ? [answer(test === 'now' ? `line.${v.line}` : `line.${v.line}.alone`, level)] : []
    })
  },
  switch: (v, call) => {
    const word = call && SWITCH_WORDS[call]
    return v.place && word ? [answer(`switch.${v.place}`, word)] : []
  },
  swap: (v, call) => {
    if (!v.part || (call !== 'mend' && call !== 'leave')) return []
    return [answer(`swap.${v.part}`, call === 'mend' ? 'cures' : 'same')]
  },
  sensor: v =>
    v.which
      ? (['lit', 'dark'] as const).flatMap(state => {
          const volts = voltsOf(v[`${state}Volts`])
          return volts === null ? [] : [answer(`sensor.${v.which}.${state === 'lit' ? 'lit' : 'shaded'}`, volts, 'V')]
        })
      : [],
}

/** A word that its check has, or a number; null for anything else. */
function fits({ key, value, unit }: CalculatorAnswer): CalculatorAnswer | null {
  const check = findCheck(key)
  if (!check) return /^sensor\./.test(key) ? { key, value, unit } : null
  if (typeof value === 'string' && check.bands) {
    const number = voltsOf(value)
    return number !== null ? { key, value: number, unit } : check.answers.includes(value) ? answer(key, value) : null
  }
  return typeof value === 'number' || check.answers.includes(value) ? { key, value, unit } : null
}

/**
 * What was typed into a calculator, as answers of checks.
 * @param call what the calculator said of it; null where that is not known
 */
export function calculatorAnswers(calculator: string, typed: Typed, call: CallKind | null): CalculatorAnswer[] {
  const fields = Object.entries(FIELDS[calculator] ?? {}).flatMap(([field, as]) => {
    const value = typed[field]
    return value ? [answer(as.key, as.words?.[value] ?? value, as.unit)] : []
  })
  const by = CALLS_AS[calculator]
  const called = by && (call === 'leave' || call === 'mend' || call === 'nudge')
  const together = TOGETHER[calculator]?.(typed, call) ?? []
  return [
    ...fields.filter(f => !together.some(t => t.key === f.key)),
    ...together,
    ...(called ? [answer(by.key, call === 'leave' ? by.right : by.wrong)] : []),
  ]
    .map(fits)
    .filter(a => a !== null)
}

/** Whether what is typed into a calculator speaks for causes. */
export const speaksForCauses = (calculator: string): boolean =>
  calculator in FIELDS || calculator in TOGETHER || calculator in CALLS_AS

/** What readings that were taken elsewhere say of a calculator's fields. */
export function fieldsFrom(calculator: string, readings: ReadonlyMap<string, string | number>): Record<string, string> {
  const out: Record<string, string> = {}
  for (const [field, as] of Object.entries(FIELDS[calculator] ?? {})) {
    const value = readings.get(as.key)
    if (value === undefined) continue
    const own = Object.entries(as.words ?? {}).find(([, word]) => word === value)?.[0]
    if (typeof value === 'number' && !as.words) out[field] = String(value)
    else if (as.words ? own : typeof value === 'string') out[field] = own ?? String(value)
  }
  return out
}
