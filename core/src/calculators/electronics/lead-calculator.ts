import type { Call } from '../../base/observations'
import { maybe, num, type Calculator, type CalculatorResult, type Values } from '../calculator'

/** Resistivity of copper at 20 °C, Ω·mm²/m (IEC 60028: 1/58). */
export const COPPER = 1 / 58
/** Resistance of a copper lead, there and back, Ω. @param lengthMm one way */
export const leadResistance = (lengthMm: number, areaMm2: number): number => (2 * COPPER * lengthMm) / 1000 / areaMm2

/** A lead may lose so much of its rail: 3 % (from memory); a 5 V rail's own tolerance is 5 %. */
export const MOST_LOST = 0.03

function judge(v: Values): CalculatorResult {
  const [length, area, amps] = [num(v, 'length'), num(v, 'wire'), num(v, 'current')]
  const volts = maybe(v, 'rail') ?? 12
  const ohms = leadResistance(length, area)
  const drop = ohms * amps
  const call: Call =
    drop / volts > MOST_LOST
      ? {
          kind: 'mend',
          reasons: [
            `It loses ${(drop * 1000).toFixed(0)} mV of ${volts} V, ${((drop / volts) * 100).toFixed(1)} %: more than ${MOST_LOST * 100} %.`,
          ],
          next: `Use ${((area * drop) / volts / MOST_LOST).toFixed(2)} mm² or more, or a shorter lead.`,
        }
      : {
          kind: 'leave',
          reasons: [`It loses ${(drop * 1000).toFixed(0)} mV of ${volts} V, ${((drop / volts) * 100).toFixed(2)} %.`],
          next: 'Heat-shrink on every joint; tie it well clear of the belt.',
        }
  return {
    call,
    lines: [
      { label: 'Resistance, there and back', value: ohms * 1000, unit: 'mΩ', note: 'copper at 20 °C' },
      { label: 'Lost on the way', value: drop * 1000, unit: 'mV' },
      { label: 'Turned to heat', value: drop * amps, unit: 'W' },
    ],
    observations: [
      {
        key: 'lead.drop',
        label: 'Lead, voltage lost',
        value: Number((drop * 1000).toFixed(1)),
        unit: 'mV',
        how: `${length} mm of ${area.toFixed(2)} mm² at ${amps} A`,
      },
    ],
  }
}

/** A lead: what it loses. */
export const leadCalculator: Calculator = {
  id: 'lead',
  title: 'Lead',
  station: 'electronics',
  group: 'Wiring',
  purpose: 'What a lead loses on its way, so that a lengthened one is thick enough.',
  fields: [
    { key: 'length', label: 'Length, one way', quantity: 'length', required: true, plausible: [20, 3000] },
    {
      key: 'wire',
      label: 'Wire',
      hint: '20 AWG is usual for motor leads (common practice)',
      quantity: 'wire',
      required: true,
      plausible: [0.03, 4],
    },
    { key: 'current', label: 'Current', hint: 'at start', quantity: 'current', required: true, plausible: [0.02, 5] },
    { key: 'rail', label: 'Rail', quantity: 'voltage', plausible: [3, 24] },
  ],
  formulas: [
    'Resistance = 2 × length ÷ (58 m/Ω·mm² × area), copper at 20 °C (IEC 60028).',
    'Gauge: diameter = 0.127 mm × 92^((36 − n)/39) (ASTM B258).',
  ],
  judge,
}
