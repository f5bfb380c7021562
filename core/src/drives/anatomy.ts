import { findMechanism } from './catalogue'
import { trackRadiusMm } from './flux-density'
import { fromMemory, type Source } from './provenance'
import type { Frame } from './frame'
import type { MechanismId } from './types'

/** A shape seen from above, in mm from the left front corner of the frame; y runs to the rear. */
export type Shape =
  | { readonly kind: 'rect'; readonly x: number; readonly y: number; readonly w: number; readonly h: number }
  | { readonly kind: 'circle'; readonly x: number; readonly y: number; readonly r: number }
  | { readonly kind: 'line'; readonly x1: number; readonly y1: number; readonly x2: number; readonly y2: number }
  /** A belt round two pulleys. */
  | {
      readonly kind: 'belt'
      readonly a: { readonly x: number; readonly y: number; readonly r: number }
      readonly b: { readonly x: number; readonly y: number; readonly r: number }
    }

export interface AnatomyPart {
  /** Number on the drawing and in its legend; 0 for what needs no name. */
  readonly n: number
  readonly label: string
  readonly look:
    'frame' | 'shell' | 'disk' | 'turning' | 'rail' | 'zone' | 'carriage' | 'board' | 'plug' | 'sensor' | 'special'
  readonly shape: Shape
}

/** A class's anatomy as a plan to scale. */
export interface Anatomy {
  readonly widthMm: number
  readonly depthMm: number
  readonly spindle: { readonly x: number; readonly y: number }
  readonly parts: readonly AnatomyPart[]
  readonly source: Source
}

function zoneOf(id: MechanismId, frame: Frame): readonly [number, number] {
  const { track0LowerMm, pitchMm, cylinders } = findMechanism(id).geometry
  if (track0LowerMm && pitchMm)
    return [track0LowerMm.value, trackRadiusMm(track0LowerMm.value, pitchMm.value, cylinders.value - 1)]
  return frame.zone!
}

/**
 * A class's anatomy, drawn from its dimensions: where spindle, rail, carriage, sensors, motor and plugs lie to each
 * other.
 * The zone on the rail is computed from the catalogue's track radii where it has them.
 */
export function anatomyOf(id: MechanismId): Anatomy {
  const f = findMechanism(id).frame
  const [outer, inner] = zoneOf(id, f)
  const cx = f.w / 2
  const cy = f.spindleY
  const at = { x: cx, y: cy }
  const parts: AnatomyPart[] = []
  let n = 0
  const add = (label: string, look: AnatomyPart['look'], shape: Shape, named = true) => {
    parts.push({ n: named ? ++n : 0, label, look, shape })
  }
  const scale = f.disk / 130

  add('Frame', 'frame', { kind: 'rect', x: 0, y: 0, w: f.w, h: f.d }, false)
  if (f.shell)
    add('Disk in its jacket or shell', 'shell', {
      kind: 'rect',
      x: cx - f.shell[0] / 2,
      y: cy - f.shell[1] / 2 - 2,
      w: f.shell[0],
      h: f.shell[1],
    })
  add('Disk', 'disk', { kind: 'circle', ...at, r: f.disk / 2 }, false)
  add(f.drive === 'direct' ? 'Spindle on its own motor, underneath' : 'Spindle, flywheel underneath', 'turning', {
    kind: 'circle',
    ...at,
    r: f.drive === 'direct' ? f.disk * 0.3 : f.disk * 0.27,
  })
  add('Hub', 'turning', { kind: 'circle', ...at, r: f.disk * 0.09 }, false)
  if (f.drive === 'belt') {
    const motor = { x: 22 * scale, y: f.d - 34 * scale, r: 6 * scale }
    add('Belt', 'turning', { kind: 'belt', a: motor, b: { ...at, r: f.disk * 0.27 } })
    add('Motor and its pulley', 'turning', { kind: 'circle', x: motor.x, y: motor.y, r: 17 * scale })
  }
  const railEnd = Math.min(f.d - 12 * scale, cy + outer + 26 * scale)
  add('Rail, from the spindle outward', 'rail', { kind: 'line', x1: cx, y1: cy + f.disk * 0.1, x2: cx, y2: railEnd })
  const head = cy + (outer + inner) / 2
  add('Carriage with the heads', 'carriage', {
    kind: 'rect',
    x: cx - 9 * scale,
    y: head - 7 * scale,
    w: 18 * scale,
    h: 22 * scale,
  })
  add(
    id === 'quick-disk'
      ? 'Where the spiral track lies'
      : `Cylinders: ${outer.toFixed(1)} to ${inner.toFixed(1)} mm from the spindle`,
    'zone',
    { kind: 'rect', x: cx - 1.6 * scale, y: cy + inner, w: 3.2 * scale, h: outer - inner },
  )
  const side = cx + 20 * scale
  if (f.carriage === 'voice coil') {
    add('Voice coil: the heads follow under servo', 'carriage', {
      kind: 'rect',
      x: cx - 20 * scale,
      y: railEnd - 18 * scale,
      w: 40 * scale,
      h: 22 * scale,
    })
    add('Parking bay: the heads wait off the disk', 'special', {
      kind: 'rect',
      x: cx - 11 * scale,
      y: cy + f.disk / 2 + 1,
      w: 22 * scale,
      h: 7 * scale,
    })
  } else {
    add(
      {
        'lead screw': 'Lead screw and stepper',
        'steel band': 'Steel band on the stepper’s drum',
        'spiral cam': 'Spiral cam that moves the carriage',
      }[f.carriage],
      'carriage',
      f.carriage === 'lead screw'
        ? {
            kind: 'rect',
            x: side - 1.5 * scale,
            y: cy + inner,
            w: 3 * scale,
            h: Math.max(10, railEnd - cy - inner - 12 * scale),
          }
        : { kind: 'circle', x: side + 4 * scale, y: railEnd - 8 * scale, r: 14 * scale },
    )
    if (f.carriage === 'lead screw')
      add('Stepper', 'turning', { kind: 'circle', x: side, y: railEnd - 4 * scale, r: 11 * scale }, false)
    add(
      id === 'quick-disk' ? 'Switch where the sweep starts' : 'Track-zero sensor and the flag in its slot',
      'sensor',
      { kind: 'rect', x: cx - 20 * scale, y: cy + outer - 4 * scale, w: 8 * scale, h: 8 * scale },
    )
  }
  if (!['quick-disk', 'cartridge', '5.25in-serial'].includes(id))
    add('Index sensor', 'sensor', { kind: 'circle', x: cx + f.disk * 0.17, y: cy - f.disk * 0.12, r: 2.6 * scale })
  special(id, f, scale, add)
  add('Plug to the host', 'plug', { kind: 'rect', x: f.w * 0.42, y: f.d - 5 * scale, w: f.w * 0.36, h: 5 * scale })
  if (id !== 'quick-disk' && id !== '5.25in-serial')
    add('Power plug', 'plug', { kind: 'rect', x: f.w * 0.84, y: f.d - 8 * scale, w: f.w * 0.11, h: 8 * scale })
  return { widthMm: f.w, depthMm: f.d, spindle: at, parts, source: fromMemory }
}

function special(
  id: MechanismId,
  f: Frame,
  scale: number,
  add: (label: string, look: AnatomyPart['look'], shape: Shape) => void,
): void {
  const cx = f.w / 2
  if (id === '3.5in' || id === '3.5in-eject') {
    add('Shutter arm', 'special', {
      kind: 'line',
      x1: cx + 30 * scale,
      y1: f.spindleY + 60 * scale,
      x2: cx + 56 * scale,
      y2: f.spindleY + 34 * scale,
    })
    add('Switches: disk in, write protect, density', 'sensor', {
      kind: 'rect',
      x: 5,
      y: 8,
      w: 22 * scale,
      h: 6 * scale,
    })
  }
  if (id === '3.5in-eject')
    add('Eject motor and gearbox: teeth strip here', 'special', {
      kind: 'rect',
      x: 4,
      y: f.d - 46 * scale,
      w: 30 * scale,
      h: 38 * scale,
    })
  if (id === '3in')
    add('Write-protect pin: falls out when turned over', 'special', { kind: 'circle', x: f.w - 9, y: 22, r: 2.4 })
  if (id === '8in' || id.startsWith('5.25'))
    add('Lever: closed, or a card in, for storage', 'special', {
      kind: 'rect',
      x: cx - 26 * scale,
      y: 0,
      w: 52 * scale,
      h: 6 * scale,
    })
  if (id === '5.25in-serial')
    add('Its own processor, memory and bus driver', 'board', {
      kind: 'rect',
      x: 6 * scale,
      y: f.d - 22 * scale,
      w: 38 * scale,
      h: 14 * scale,
    })
  if (id === '8in')
    add('Straps and terminators on the board', 'board', { kind: 'rect', x: f.w - 62, y: f.d - 70, w: 50, h: 40 })
  if (id === '5.25in-48' || id === '5.25in-96')
    add('Straps and terminator', 'board', { kind: 'rect', x: f.w - 44, y: f.d - 34, w: 32, h: 20 })
}
