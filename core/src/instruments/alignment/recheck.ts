import { ParameterError } from '../../base/errors'
import { plain, type Call, type Observation } from '../../base/observations'
import { ZONES } from '../../drives'
import type { ZoneRead } from '../../log'

export interface Recheck {
  /** What the mark says after tightening; null where it was not looked at. */
  readonly position: number | null
  readonly zones: readonly ZoneRead[]
}

/**
 * What is left of the way to the edge after tightening, share of the half window, below which it is set again (common
 * practice: a third).
 */
const LEFT = 0.35

/**
 * The look after tightening, which shifts what was set: how far it went by its mark, and whether outer, middle and
 * inner read on both heads.
 * @param set where it was set @param window of both heads, on the same scale
 * @throws ParameterError for counts that cannot be
 */
export function judgeRecheck(
  set: number,
  window: { readonly from: number; readonly to: number },
  recheck: Recheck,
  unit = '',
): { readonly call: Call; readonly observations: readonly Observation[]; readonly shift: number | null } {
  for (const z of recheck.zones)
    for (const c of [z.lower, z.upper])
      if (c && (!Number.isInteger(c.good) || c.good < 0 || c.good > c.expected))
        throw new ParameterError(
          `${z.zone}: ${c.good} sectors of ${c.expected}`,
          'whole sectors, no more than there are',
          { field: z.zone },
        )
  const u = (x: number) => `${plain(x)}${unit ? ` ${unit}` : ''}`
  const shift = recheck.position === null ? null : recheck.position - set
  const half = (window.to - window.from) / 2
  const left =
    recheck.position === null ? null : Math.min(recheck.position - window.from, window.to - recheck.position) / half
  const failing = recheck.zones.flatMap(z =>
    (
      [
        ['lower', z.lower],
        ['upper', z.upper],
      ] as const
    )
      .filter(([, c]) => c && c.good < c.expected)
      .map(([head, c]) => ({ zone: z.zone, head, lost: c!.expected - c!.good })),
  )
  const missing = ZONES.filter(z => !recheck.zones.some(r => r.zone === z))
  const moved =
    shift === null
      ? []
      : [
          Math.abs(shift) < 1e-9
            ? 'Tightening did not move it.'
            : `Tightening moved it by ${u(Math.abs(shift))} ${shift > 0 ? 'up' : 'down'}: ${Math.max(0, Math.round(left! * 100))} % of the way to the edge is left.`,
        ]
  const good = recheck.zones.reduce((n, z) => n + z.lower.good + (z.upper?.good ?? 0), 0)
  const all = recheck.zones.reduce((n, z) => n + z.lower.expected + (z.upper?.expected ?? 0), 0)
  const observations: Observation[] = [
    {
      key: 'align.recheck',
      label: 'After tightening',
      value: good,
      unit: '',
      how: `of ${all} sectors, ${recheck.zones.map(z => z.zone).join(', ')}`,
    },
    ...(shift === null
      ? []
      : [
          {
            key: 'align.shift',
            label: 'Shift by tightening',
            value: Number(shift.toPrecision(3)),
            unit,
            how: 'by its mark',
          },
        ]),
  ]
  return { shift, observations, call: callOf() }

  function callOf(): Call {
    if (left !== null && left < LEFT)
      return {
        kind: 'nudge',
        reasons: moved,
        next: `Loosen it, set it ${u(Math.abs(shift!))} ${shift! > 0 ? 'below' : 'above'} the middle, and let tightening bring it there.`,
      }
    if (failing.length) {
      const heads = new Set(failing.map(f => f.head))
      const zones = [...new Set(failing.map(f => f.zone))]
      const says = `After tightening the ${[...heads].join(' and ')} head${heads.size > 1 ? 's' : ''} ${heads.size > 1 ? 'lose' : 'loses'} sectors at ${zones.join(' and ')}.`
      return zones.length === 1 && zones[0] === 'inner'
        ? {
            kind: 'unknown',
            reasons: [...moved, says],
            next: 'Inner tracks ask most: clean the head and read again, before it is moved again.',
          }
        : zones.length < 3 && recheck.zones.length === 3
          ? {
              kind: 'mend',
              reasons: [
                ...moved,
                says,
                'One end of travel is right and the other is not: the way of the carriage, not this adjuster.',
              ],
              next: 'Look at guide rail, screw and band.',
            }
          : { kind: 'nudge', reasons: [...moved, says], next: 'Loosen it and set it to the middle again.' }
    }
    if (missing.length)
      return {
        kind: 'unknown',
        reasons: [...moved, `Not read yet after tightening: ${missing.join(', ')}.`],
        next: 'Read outer, middle and inner, both heads.',
      }
    return {
      kind: 'leave',
      reasons: [...moved, `All ${all} sectors at outer, middle and inner read after tightening.`],
      next: 'Seal it, and say in the log where it stands.',
    }
  }
}
