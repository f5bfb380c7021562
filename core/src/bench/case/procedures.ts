import type { StationId } from '../../log'
import type { Step, Walk } from '../stations'

/** Steps by which a function is looked at, mended or tested: where its procedure and its dangers stand. */
export const PROCEDURES: Readonly<Record<string, readonly string[]>> = {
  'supply-5v': ['electronics.supply', 'look.shorts'],
  'supply-12v': ['electronics.supply', 'look.shorts'],
  logic: ['look.chips', 'look.caps-check', 'clean.caps'],
  processor: ['electronics.own'],
  link: ['electronics.number', 'electronics.own'],
  select: ['electronics.straps'],
  lamp: ['first-power.bare'],
  load: ['drive-train.loading', 'drive-train.lever'],
  seat: ['first-power.sacrifice'],
  eject: ['drive-train.gears', 'drive-train.loading'],
  care: ['look.heads', 'clean.heads', 'clean.heads-servo', 'first-power.sacrifice'],
  'disk-in': ['clean.switches', 'electronics.sensors'],
  'motor-on': ['electronics.supply', 'first-power.bare'],
  spin: ['drive-train.motor', 'drive-train.belt', 'clean.free'],
  speed: ['speed.capture', 'speed.trim'],
  index: ['clean.sensors', 'electronics.sensors'],
  ready: ['electronics.straps', 'speed.capture'],
  carriage: ['drive-train.carriage', 'clean.free', 'clean.grease'],
  home: ['clean.sensors', 'electronics.sensors', 'align.evidence'],
  position: ['align.evidence', 'align.one'],
  servo: ['align.servo'],
  pass: ['align.sweep', 'clean.grease'],
  'head-lower': ['look.heads', 'clean.heads', 'clean.heads-servo'],
  'head-upper': ['look.heads', 'clean.heads', 'clean.heads-servo'],
  channel: ['look.chips', 'clean.caps'],
  'data-line': ['look.pins', 'electronics.straps'],
  disk: ['prove.read'],
  host: ['electronics.straps', 'electronics.number'],
  'read-lower': ['prove.read'],
  'read-upper': ['prove.read'],
  protect: ['first-power.protect', 'clean.switches'],
  write: ['prove.write'],
  format: ['prove.write'],
  elsewhere: ['prove.cross'],
  change: ['prove.change', 'clean.switches'],
  density: ['clean.switches', 'electronics.straps'],
}

/** The procedure of a function, as the steps of this drive that it has. */
export const stepsOf = (
  id: string,
  way: Pick<Walk, 'stations'>,
): readonly { readonly station: StationId; readonly step: Step }[] =>
  (PROCEDURES[id] ?? []).flatMap(wanted =>
    way.stations.flatMap(s =>
      s.steps.filter(x => x.step.id === wanted).map(x => ({ station: s.station.id, step: x.step })),
    ),
  )
