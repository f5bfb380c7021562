import type { Call, CallKind } from '../observations'
import { maybe, num, type Sum, type SumLine, type SumResult, type Values } from '../sums'

/** A trimmer makes good so much of a motor's own speed (from memory). */
const TRIMMABLE = 0.05

interface Point { readonly kind: CallKind, readonly says: string, readonly next: string }

/** Compares two sizes that must be alike within a share. */
function size(v: Values, key: string, words: string, share: number, kind: CallKind, next: string): Point[] {
  const [a, b] = [maybe(v, `${key}1`), maybe(v, `${key}2`)]
  if (a === undefined || b === undefined || Math.abs(b / a - 1) <= share) return []
  return [{ kind, says: `${words}: ${plain(b)} in place of ${plain(a)}.`, next }]
}
const plain = (x: number) => Number(x.toPrecision(3)).toString()

function points(v: Values): Point[] {
  const [rpm1, rpm2] = [maybe(v, 'speed1'), maybe(v, 'speed2')]
  const out: Point[] = [
    ...size(v, 'volts', 'Voltage', 0.05, 'stop', 'Another motor: this one runs hot or not at all.'),
    ...size(v, 'shaft', 'Shaft', 0.015, 'mend', 'The pulley does not fit: a bush, or another motor.'),
    ...size(v, 'circle', 'Mounting circle', 0.02, 'mend', 'Another plate, or another motor.'),
  ]
  const tall = (maybe(v, 'height2') ?? 0) > (maybe(v, 'height1') ?? Infinity) * 1.02
  const wide = (maybe(v, 'body2') ?? 0) > (maybe(v, 'body1') ?? Infinity) * 1.02
  if (tall || wide) out.push({ kind: 'mend', says: `It is ${[tall && 'taller', wide && 'wider'].filter(Boolean).join(' and ')} than its place.`, next: 'Measure the room above it before anything is cut.' })
  if (rpm1 !== undefined && rpm2 !== undefined) {
    const off = rpm2 / rpm1 - 1
    const pulley = maybe(v, 'pulley')
    if (Math.abs(off) > TRIMMABLE) out.push({ kind: 'mend', says: `It is ${(Math.abs(off) * 100).toFixed(0)} % ${off > 0 ? 'faster' : 'slower'}, more than a trimmer makes good.`, next: pulley ? `A pulley of ${plain(pulley / (1 + off))} mm makes up for it.` : 'A pulley of another size makes up for it.' })
    else if (Math.abs(off) > 0.01) out.push({ kind: 'nudge', says: `It is ${(Math.abs(off) * 100).toFixed(1)} % ${off > 0 ? 'faster' : 'slower'}: the trimmer makes that good.`, next: 'Fit it, then measure and trim.' })
  }
  if (v.turns1 && v.turns2 && v.turns1 !== v.turns2) out.push({ kind: v.kind === 'brushed' ? 'nudge' : 'mend', says: 'It turns the other way.', next: v.kind === 'brushed' ? 'Swap its two leads; brushes set for one way wear faster.' : 'A brushless motor keeps its way: another motor.' })
  if (v.tacho1 === 'yes' && v.tacho2 === 'no') out.push({ kind: 'mend', says: 'The board expects a tachometer winding, and this one has none.', next: 'Without it the speed runs away: another motor, or the donor’s board too.' })
  const [idle, usual] = [maybe(v, 'draw'), maybe(v, 'drawUsual')]
  if (idle !== undefined && usual !== undefined && idle > usual * 1.5) out.push({ kind: 'mend', says: `Running free it draws ${plain(idle)} A, ${(idle / usual).toFixed(1)} times the usual.`, next: 'Bearings or windings: a drop of light oil at the bearing, then measure again.' })
  const start = maybe(v, 'start')
  if (start !== undefined && start > 2) out.push({ kind: 'unknown', says: `It takes ${plain(start)} s to come to speed.`, next: 'Feel for set grease before the motor is blamed.' })
  return out
}

const GRAVITY: readonly CallKind[] = ['stop', 'mend', 'nudge', 'unknown']

function judge(v: Values): SumResult {
  const found = points(v).sort((a, b) => GRAVITY.indexOf(a.kind) - GRAVITY.indexOf(b.kind))
  const pairs = ['volts', 'speed', 'shaft', 'circle', 'height', 'body'].filter(k => v[`${k}1`] !== undefined && v[`${k}2`] !== undefined).length
  const first = found[0]
  const call: Call = first
    ? { kind: first.kind, reasons: found.map(p => p.says), next: first.next }
    : pairs < 3
      ? { kind: 'unknown', reasons: ['Too little of both motors is known to say that one stands for the other.'], next: 'Compare voltage, speed and shaft at least.' }
      : { kind: 'leave', reasons: [`Alike in ${pairs} of 6 sizes that were compared: a suffix alone need not matter.`], next: 'Lead it clear of the belt, and measure the speed.' }
  const lines: SumLine[] = v.speed1 !== undefined && v.speed2 !== undefined ? [{ label: 'Faster by', value: (num(v, 'speed2') / num(v, 'speed1') - 1) * 100, unit: '%' }] : []
  return { call, lines, observations: [{ key: 'motor.fit', label: 'Motor for motor', value: first ? `${found.length} ${found.length === 1 ? 'difference' : 'differences'}` : pairs < 3 ? 'not settled' : 'alike', unit: '', how: `${pairs} sizes compared` }] }
}

const both = (key: string, label: string, quantity: 'voltage' | 'speed' | 'length', plausible: readonly [number, number], rare = false) => [1, 2].map(n => ({ key: `${key}${n}`, label: `${label}, ${n === 1 ? 'original' : 'candidate'}`, quantity, plausible, ...(rare ? { rare: true as const } : {}) }))
const choose = (key: string, label: string, choices: readonly { value: string, label: string }[]) => [1, 2].map(n => ({ key: `${key}${n}`, label: `${label}, ${n === 1 ? 'original' : 'candidate'}`, choices, rare: true as const }))

/** A motor in place of another. */
export const motorSum: Sum = {
  id: 'motor', title: 'Motor', station: 'drive-train', purpose: 'Whether a motor stands for another, and what differs.',
  fields: [
    ...both('volts', 'Voltage', 'voltage', [3, 24]), ...both('speed', 'Speed', 'speed', [500, 8000]), ...both('shaft', 'Shaft', 'length', [1, 8]),
    ...both('circle', 'Mounting circle', 'length', [8, 60], true), ...both('height', 'Height', 'length', [8, 60], true), ...both('body', 'Body', 'length', [15, 80], true),
    { key: 'pulley', label: 'Pulley of the original', quantity: 'length', rare: true, plausible: [3, 30] },
    ...choose('turns', 'Turns', [{ value: 'right', label: 'right, seen at the shaft' }, { value: 'left', label: 'left, seen at the shaft' }]),
    ...choose('tacho', 'Tachometer', [{ value: 'yes', label: 'yes' }, { value: 'no', label: 'none' }]),
    { key: 'kind', label: 'Kind of motor', choices: [{ value: 'brushed', label: 'brushes, two leads' }, { value: 'brushless', label: 'brushless or direct drive' }], rare: true },
    { key: 'draw', label: 'Current, running free', quantity: 'current', rare: true, plausible: [0.01, 2] },
    { key: 'drawUsual', label: 'Current, usual', hint: 'of a good one of its kind', quantity: 'current', rare: true, plausible: [0.01, 2] },
    { key: 'start', label: 'Time to speed', quantity: 'time', rare: true, plausible: [0.05, 10] },
  ],
  formulas: ['Sizes must agree: voltage within 5 %, shaft within 1.5 %, mounting within 2 %; a trimmer makes good 5 % of speed (from memory).', 'Pulley for another speed = old pulley × old speed ÷ new speed.'],
  judge,
}
