import { HOMED, INDEXED, has, notOn, on } from './functions'
import { reading } from './reading'
import type { Check } from './types'

const sensor = (id: string, title: string, when: Check['when']): Check[] => [
  reading(
    `sensor.${id}`,
    `Measure the ${title} sensor lit and shaded, in circuit`,
    { good: 0.96, weak: 0.02, same: 0.02 },
    {
      source: 'meter',
      minutes: 6,
      when,
      opens: { kind: 'calculator', id: 'sensor' },
    },
  ),
  reading(
    `sensor.${id}.camera`,
    `Look at the LED of the ${title} sensor with a camera, in the dark`,
    { glows: 0.97, dark: 0.03 },
    {
      minutes: 3,
      when,
    },
  ),
]

const onOff = (id: string, title: string, when?: Check['when']): Check =>
  reading(
    `switch.${id}`,
    title,
    { follows: 0.95, 'stuck open': 0.02, 'stuck closed': 0.02, 'now and then': 0.01 },
    {
      source: 'meter',
      needs: ['open'],
      minutes: 5,
      opens: { kind: 'calculator', id: 'switch' },
      ...(when ? { when } : {}),
    },
  )

/** Sensors and switches. Chances from memory. */
export const SENSOR_READINGS: readonly Check[] = [
  ...sensor('index', 'index', INDEXED),
  ...sensor('track-0', 'track-zero', HOMED),
  ...sensor('protect', 'write-protect', notOn('3in', 'quick-disk', 'cartridge')),
  onOff('disk-in', 'Check every contact of the disk-in switch, pressed and not', notOn('8in', '5.25in-serial')),
  onOff(
    'protect',
    'Check every contact of the write-protect switch, pressed and not',
    on('3.5in', '3.5in-eject', '3in', 'quick-disk'),
  ),
  onOff('density', 'Check every contact of the density switch, pressed and not', on('3.5in', '3.5in-eject')),
  reading(
    'switch.eject',
    'Check the eject switch, pressed and not',
    { good: 0.96, stuck: 0.03, unsteady: 0.01 },
    { source: 'meter', needs: ['open'], when: has('motorised-eject') },
  ),
]
