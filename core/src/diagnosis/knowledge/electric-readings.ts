import { STEPPED, TWO_HEADS, has, notOn, on } from './functions'
import { METER, reading } from './reading'
import type { Band, Check } from './types'

const volts = (nominal: number): readonly Band[] => [
  { below: nominal * 0.2, answer: 'missing' },
  { below: nominal * 0.95, answer: 'low' },
  { below: nominal * 1.05, answer: 'right' },
  { below: Infinity, answer: 'high' },
]
const VOLTS_BY = {
  none: { missing: 0.95, low: 0.05 },
  low: { low: 0.92, right: 0.08 },
  noisy: { right: 0.85, low: 0.15 },
}
const TWELVE = notOn('3.5in', 'cartridge', 'quick-disk')
const ohmsBands: readonly Band[] = [
  { below: 1.5, answer: 'short' },
  { below: 5000, answer: 'right' },
  { below: Infinity, answer: 'open' },
]
const railBands: readonly Band[] = [
  { below: 5, answer: 'short' },
  { below: Infinity, answer: 'right' },
]
const presentBands: readonly Band[] = [
  { below: 1, answer: 'none' },
  { below: Infinity, answer: 'right' },
]
const OHMS = { right: 0.96, open: 0.02, short: 0.02 }

/** Volts, amperes and ohms. Chances from memory. */
export const ELECTRIC_READINGS: readonly Check[] = [
  reading(
    'supply.5v',
    'Measure 5 V at the drive, under load',
    { right: 0.95, low: 0.03, missing: 0.01, high: 0.01 },
    {
      source: 'meter',
      needs: ['power'],
      minutes: 2,
      unit: 'V',
      bands: volts(5),
      sees: { function: 'supply-5v', by: VOLTS_BY },
      opens: { kind: 'reading', id: 'supply.5v' },
    },
  ),
  reading(
    'supply.12v',
    'Measure 12 V at the drive, under load',
    { right: 0.95, low: 0.03, missing: 0.01, high: 0.01 },
    {
      source: 'meter',
      needs: ['power'],
      minutes: 2,
      unit: 'V',
      bands: volts(12),
      when: TWELVE,
      sees: { function: 'supply-12v', by: { none: VOLTS_BY.none, low: VOLTS_BY.low } },
      opens: { kind: 'reading', id: 'supply.12v' },
    },
  ),
  reading(
    'supply.source',
    'Measure both voltages at the supply’s own end of the cable',
    { right: 0.96, low: 0.03, missing: 0.01 },
    { source: 'meter', needs: ['power'], minutes: 3, opens: { kind: 'reading', id: 'supply.source' } },
  ),
  reading(
    'supply.5v.ripple',
    'Measure the ripple on 5 V',
    { right: 0.96, high: 0.04 },
    {
      source: 'meter',
      needs: ['power'],
      unit: 'V',
      bands: [
        { below: 0.1, answer: 'right' },
        { below: Infinity, answer: 'high' },
      ],
      sees: {
        function: 'supply-5v',
        by: { noisy: { high: 0.85, right: 0.15 }, low: { high: 0.3, right: 0.7 }, none: { right: 1 } },
      },
      opens: { kind: 'reading', id: 'supply.5v.ripple' },
    },
  ),
  reading(
    'regulator.in',
    'Measure the input of the 5 V regulator',
    { right: 0.9, none: 0.1 },
    {
      source: 'meter',
      when: on('5.25in-serial', '8in'),
      unit: 'V',
      bands: [
        { below: 7, answer: 'none' },
        { below: Infinity, answer: 'right' },
      ],
    },
  ),
  reading(
    'motor.volts',
    'Measure at the motor while it should turn',
    { right: 0.95, none: 0.05 },
    {
      source: 'meter',
      unit: 'V',
      bands: presentBands,
      sees: { function: 'motor-on', by: { none: { none: 0.95, right: 0.05 }, always: { right: 1 } } },
    },
  ),
  reading(
    'eject.volts',
    'Measure at the eject motor while it should run',
    { right: 0.96, none: 0.04 },
    {
      source: 'meter',
      unit: 'V',
      bands: presentBands,
      when: has('motorised-eject'),
    },
  ),
  ...(['5v', '12v'] as const).flatMap(rail =>
    (['idle', 'spin', 'step'] as const).map(state =>
      reading(
        `current.${rail}.${state}`,
        `Measure the current at ${rail === '5v' ? '5' : '12'} V, ${{ idle: 'at rest', spin: 'while it spins up', step: 'while it steps' }[state]}`,
        { right: 0.92, high: 0.05, low: 0.03 },
        {
          source: 'meter',
          needs: ['power'],
          unit: 'A',
          bands: [
            { below: 0.02, answer: 'low' },
            { below: { idle: 0.9, spin: 2, step: 1.5 }[state], answer: 'right' },
            { below: Infinity, answer: 'high' },
          ],
          ...(rail === '12v' ? { when: TWELVE } : {}),
        },
      ),
    ),
  ),
  ...(['lower', 'upper'] as const).flatMap(head =>
    (['read', 'erase'] as const).map(coil =>
      reading(`ohms.${head}.${coil}`, `Measure the ${coil} coil of the ${head} head`, OHMS, {
        ...METER,
        unit: 'Ω',
        minutes: 5,
        bands: ohmsBands,
        ...(head === 'upper' ? { when: TWO_HEADS } : {}),
        ...(coil === 'read' ? { opens: { kind: 'reading', id: `ohms.${head}.read` } as const } : {}),
      }),
    ),
  ),
  reading('ohms.stepper', 'Measure the phases of the stepper', OHMS, {
    ...METER,
    unit: 'Ω',
    bands: ohmsBands,
    when: STEPPED,
    opens: { kind: 'reading', id: 'ohms.stepper' },
  }),
  reading('ohms.motor', 'Measure the windings of the spindle motor', OHMS, {
    ...METER,
    unit: 'Ω',
    bands: [
      { below: 0.5, answer: 'short' },
      { below: 5000, answer: 'right' },
      { below: Infinity, answer: 'open' },
    ],
    opens: { kind: 'reading', id: 'ohms.motor' },
  }),
  reading(
    'ohms.motor-lead',
    'Measure each lead of the spindle motor from end to end while you bend it',
    { right: 0.97, open: 0.03 },
    {
      ...METER,
      minutes: 4,
      unit: 'Ω',
      bands: [
        { below: 5, answer: 'right' },
        { below: Infinity, answer: 'open' },
      ],
      opens: { kind: 'reading', id: 'ohms.motor-lead' },
    },
  ),
  reading('ohms.load', 'Measure the coil of the head load', OHMS, {
    ...METER,
    unit: 'Ω',
    bands: ohmsBands,
    when: on('8in', '5.25in-48', '5.25in-96', '3in'),
  }),
  reading(
    'ohms.5v',
    'Measure 5 V against ground, power off',
    { right: 0.97, short: 0.03 },
    { ...METER, needs: [], minutes: 2, unit: 'Ω', bands: railBands },
  ),
  reading(
    'ohms.12v',
    'Measure 12 V against ground, power off',
    { right: 0.97, short: 0.03 },
    { ...METER, needs: [], minutes: 2, unit: 'Ω', bands: railBands, when: TWELVE },
  ),
  reading(
    'ohms.fuse',
    'Check the fuses for continuity',
    { right: 0.97, open: 0.03 },
    {
      ...METER,
      minutes: 2,
      unit: 'Ω',
      bands: [
        { below: 10, answer: 'right' },
        { below: Infinity, answer: 'open' },
      ],
    },
  ),
  reading(
    'capacitor.reading',
    'Measure the capacitors out of circuit',
    { right: 0.9, low: 0.1 },
    { ...METER, minutes: 20, opens: { kind: 'calculator', id: 'capacitor' } },
  ),
]
