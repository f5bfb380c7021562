import type { HostProfile, Need } from './profile'
import type { Signal } from './signals'

/** Lines that every host and drive with a 34-pin plug share; pins from memory. */
export const COMMON_34: readonly (readonly [Signal, number])[] = [
  ['index', 8],
  ['direction', 18],
  ['step', 20],
  ['write-data', 22],
  ['write-gate', 24],
  ['track-0', 26],
  ['write-protect', 28],
  ['read-data', 30],
]
/** The same with a 50-pin plug, from memory. */
export const COMMON_50: readonly (readonly [Signal, number])[] = [
  ['index', 20],
  ['direction', 34],
  ['step', 36],
  ['write-data', 38],
  ['write-gate', 40],
  ['track-0', 42],
  ['write-protect', 44],
  ['read-data', 46],
]

const expected = (signal: Signal, pin: number): Need => ({
  id: signal,
  weight: 'expected',
  wants: [{ kind: 'line', signal, pin }],
})
const noticed = (signal: Signal, pin: number): Need => ({
  id: signal,
  weight: 'notice',
  wants: [{ kind: 'line', signal, pin }],
})
const common = (lines: typeof COMMON_34) => lines.map(([s, p]) => expected(s, p))
const byLine: Need = { id: 'selected', weight: 'expected', wants: [{ kind: 'way', mode: 'selected', oneOf: ['line'] }] }
const motorByLine: Need = {
  id: 'motor-turns',
  weight: 'notice',
  wants: [{ kind: 'way', mode: 'motor-turns', oneOf: ['motor-line'] }],
}
const speed = (...oneOf: string[]): Need => ({
  id: 'speed',
  weight: 'expected',
  wants: [{ kind: 'way', mode: 'speed', oneOf }],
})

/** Hosts described by what they expect. Which pins they use is from memory: check yours, and change the copy. */
export const HOSTS: readonly HostProfile[] = [
  {
    format: 'wobrin-host-profile',
    version: 1,
    name: 'Expects disk change on 34, motor by its own line',
    pins: 34,
    note: 'Each drive is selected on 12, the cable’s twist makes the rest; no ready line is looked at. From memory.',
    needs: [
      ...common(COMMON_34),
      expected('side', 32),
      expected('select', 12),
      byLine,
      expected('motor', 16),
      motorByLine,
      {
        id: 'disk-change',
        weight: 'notice',
        wants: [
          { kind: 'line', signal: 'disk-change', pin: 34 },
          { kind: 'quiet', pin: 34, but: 'a change of disk is never seen: the last disk’s directory stays' },
        ],
      },
      {
        id: 'density',
        weight: 'notice',
        wants: [
          { kind: 'way', mode: 'density', oneOf: ['line'] },
          {
            kind: 'way',
            mode: 'density',
            oneOf: ['disk'],
            but: 'the density follows the disk, whatever the host says',
          },
        ],
      },
      speed('300'),
    ],
  },
  {
    format: 'wobrin-host-profile',
    version: 1,
    name: 'Expects ready on 34 and disk change on 2',
    pins: 34,
    note: 'Waits for ready before it reads; the first drive is selected on 10. From memory.',
    needs: [
      ...common(COMMON_34),
      expected('side', 32),
      expected('select', 10),
      byLine,
      expected('motor', 16),
      motorByLine,
      {
        id: 'ready',
        weight: 'expected',
        wants: [
          { kind: 'line', signal: 'ready', pin: 34 },
          {
            kind: 'line',
            signal: 'disk-in',
            pin: 34,
            but: 'ready comes before the motor is at speed: the first read after a start may fail',
          },
        ],
      },
      noticed('disk-change', 2),
      { id: 'density', weight: 'notice', wants: [{ kind: 'way', mode: 'density', oneOf: ['low', 'disk'] }] },
      speed('300'),
    ],
  },
  {
    format: 'wobrin-host-profile',
    version: 1,
    name: 'One drive, always there, one side',
    pins: 34,
    note: 'Looks at neither ready nor change, never switches the side. Selected on 10. From memory.',
    needs: [
      ...common(COMMON_34),
      expected('select', 10),
      expected('motor', 16),
      motorByLine,
      speed('300'),
      { id: 'quiet-34', weight: 'notice', wants: [{ kind: 'quiet', pin: 34 }] },
      { id: 'cylinders', weight: 'notice', wants: [{ kind: 'way', mode: 'cylinders', oneOf: ['40'] }] },
    ],
  },
  {
    format: 'wobrin-host-profile',
    version: 1,
    name: 'High density at 360 r/min, ready on 34',
    pins: 34,
    note: 'Turns its 5.25-inch drives at 360 r/min; second drive, selected on 12. From memory.',
    needs: [
      ...common(COMMON_34),
      expected('side', 32),
      expected('select', 12),
      byLine,
      expected('motor', 16),
      motorByLine,
      expected('ready', 34),
      speed('360'),
      { id: 'density', weight: 'notice', wants: [{ kind: 'way', mode: 'density', oneOf: ['line', 'high'] }] },
      { id: 'terminator', weight: 'notice', wants: [{ kind: 'way', mode: 'terminator', oneOf: ['on'] }] },
    ],
  },
  {
    format: 'wobrin-host-profile',
    version: 1,
    name: '50 pins, 8-inch, heads loaded by the host',
    pins: 50,
    note: 'First of up to four, selected on 26. From memory.',
    needs: [
      ...common(COMMON_50),
      expected('select', 26),
      byLine,
      expected('ready', 22),
      expected('head-load', 18),
      expected('side', 14),
      { id: 'heads-load', weight: 'notice', wants: [{ kind: 'way', mode: 'heads-load', oneOf: ['line'] }] },
      noticed('disk-change', 12),
      noticed('two-sided', 10),
      speed('360'),
    ],
  },
]
