import type { Condition } from '../../findings'

export type GateId = 'first-power' | 'insert-disk' | 'insert-good-disk' | 'touch-sealed' | 'close-up'

/** One thing that has to be so before a gate opens. */
export interface GateCondition {
  readonly id: string
  /** The thing itself, as a clause: “the belt was looked at”. */
  readonly need: string
  readonly when?: Condition
  /** A question that must have been answered. */
  readonly question?: string
  /** Findings any of which keeps the gate closed. */
  readonly blockedBy?: readonly string[]
  /** Findings of which one must hold. */
  readonly needs?: readonly string[]
  /** It is seen only with the covers off. */
  readonly inside?: true
  /** The finding that it is all right, where one word says it; a choice of several is left to the person. */
  readonly fine?: string
  /** Worked out from the record rather than from a finding. */
  readonly record?: 'put-back' | 'no-wait' | 'nothing-wet' | 'heads-free'
}

/** Something that must not be done before its conditions are met. */
export interface Gate {
  readonly id: GateId
  readonly label: string
  /** What going on regardless would do. */
  readonly because: string
  readonly when?: Condition
  /** Gates that must be open first. */
  readonly after?: readonly GateId[]
  readonly conditions: readonly GateCondition[]
}

/** The five gates, in the order in which they are met (common practice). */
export const GATES: readonly Gate[] = [
  {
    id: 'first-power',
    label: 'First power',
    because: 'Power turns a decayed belt into sticky rubber round the spindle and burns what is shorted.',
    conditions: [
      {
        id: 'power.mains',
        need: 'a qualified person has looked at mains side and tube',
        when: { has: 'picture-tube' },
        question: 'mains',
        blockedBy: ['mains.none'],
      },
      {
        id: 'power.disk',
        need: 'no disk is stuck in it',
        question: 'disk',
        fine: 'disk.none',
        blockedBy: ['disk.data', 'disk.stuck'],
      },
      {
        id: 'power.belt',
        need: 'the belt was looked at and will not wind up',
        when: { has: 'belt' },
        question: 'belt',
        fine: 'belt.sound',
        inside: true,
        blockedBy: ['belt.goo', 'belt.cracked', 'belt.mouldy'],
      },
      {
        id: 'power.caps',
        need: 'the capacitors were looked at and none leaks',
        question: 'caps',
        fine: 'caps.sound',
        inside: true,
        blockedBy: ['caps.leaking', 'caps.bulged'],
      },
      {
        id: 'power.shorts',
        need: 'the supply pins were measured for shorts',
        question: 'shorts',
        fine: 'shorts.none',
        blockedBy: ['shorts.found'],
      },
      {
        id: 'power.burnt',
        need: 'nothing smells burnt and no chip has a dark spot',
        question: 'smell',
        fine: 'smell.none',
        blockedBy: ['smell.burnt', 'chips.spot'],
      },
      {
        id: 'power.loose',
        need: 'nothing loose rattles inside',
        question: 'rattle',
        fine: 'rattle.none',
        blockedBy: ['rattle.loose'],
      },
      {
        id: 'power.turns',
        need: 'spindle and carriage turn by hand',
        question: 'spindle',
        fine: 'spindle.free',
        inside: true,
        blockedBy: ['spindle.stuck', 'travel.stuck'],
      },
      {
        id: 'power.supply',
        need: 'the supply’s wires are verified',
        question: 'supply',
        blockedBy: ['supply.colours'],
      },
      { id: 'power.waits', need: 'nothing is still drying, soaking or curing', record: 'nothing-wet' },
    ],
  },
  {
    id: 'insert-disk',
    label: 'A disk in',
    because: 'A head that is torn, or comes down on a closed shutter, cuts the disk and is lost itself.',
    after: ['first-power'],
    conditions: [
      {
        id: 'disk.heads',
        need: 'the heads were looked at and are intact',
        question: 'heads',
        fine: 'heads.whole',
        inside: true,
        blockedBy: ['heads.torn', 'heads.chipped'],
      },
      {
        id: 'disk.pad',
        need: 'the pressure pad of a single head was looked at',
        when: { all: [{ has: 'one-head' }, { not: { has: 'two-heads' } }] },
        question: 'pad',
        fine: 'pad.whole',
        inside: true,
        blockedBy: ['pad.gone'],
      },
      { id: 'disk.waits', need: 'nothing is still curing or drying at the heads', record: 'heads-free' },
      { id: 'disk.loading', need: 'nothing drops when it loads', blockedBy: ['loading.drops', 'pad.gone'] },
      {
        id: 'disk.arm',
        need: 'the shutter arm is there',
        when: { mechanism: ['3.5in', '3.5in-eject'] },
        question: 'arm',
        fine: 'arm.there',
        blockedBy: ['arm.missing'],
      },
      {
        id: 'disk.click',
        need: 'it is not known to click',
        when: { mechanism: ['cartridge'] },
        question: 'click',
        fine: 'click.none',
        blockedBy: ['click.steady'],
      },
      {
        id: 'disk.edges',
        need: 'its last cartridge was looked at',
        when: { mechanism: ['cartridge'] },
        question: 'edges',
        fine: 'edges.smooth',
        blockedBy: ['edges.torn'],
      },
      { id: 'disk.torn', need: 'what tore the last disk was found', blockedBy: ['disk.torn'] },
      {
        id: 'disk.power',
        need: 'it was powered bare, and nothing burns',
        question: 'power',
        fine: 'power.good',
        blockedBy: ['power.smoke'],
      },
    ],
  },
  {
    id: 'insert-good-disk',
    label: 'A good disk in',
    because: 'A drive that scratches, or writes on a protected disk, destroys the one disk that matters.',
    after: ['insert-disk'],
    conditions: [
      {
        id: 'good.sacrifice',
        need: 'a sacrificial disk came out whole',
        question: 'sacrifice',
        fine: 'sacrifice.whole',
        blockedBy: ['sacrifice.marked', 'sacrifice.stuck'],
      },
      {
        id: 'good.heads',
        need: 'the heads are clean',
        question: 'headclean',
        fine: 'headclean.clean',
        inside: true,
        blockedBy: ['headclean.brown', 'headclean.scored'],
      },
      {
        id: 'good.protect',
        need: 'write protect was tried and blocks',
        question: 'protect',
        fine: 'protect.both',
        blockedBy: ['protect.never'],
        when: { not: { has: 'servo' } },
      },
    ],
  },
  {
    id: 'touch-sealed',
    label: 'A sealed adjuster',
    because: 'What sits where the factory set it can only be made worse by turning it without evidence.',
    when: { not: { has: 'servo' } },
    conditions: [
      { id: 'seal.lacquer', need: 'the seals were looked at', question: 'lacquer' },
      {
        id: 'seal.evidence',
        need: 'something speaks for misalignment',
        question: 'evidence',
        needs: ['evidence.one', 'evidence.both', 'evidence.foreign'],
      },
      {
        id: 'seal.disk',
        need: 'a second reference disk says the same',
        question: 'seconddisk',
        blockedBy: ['seconddisk.good', 'seconddisk.none'],
      },
      { id: 'seal.clean', need: 'the heads are clean', question: 'headclean', blockedBy: ['headclean.brown'] },
    ],
  },
  {
    id: 'close-up',
    label: 'Putting the covers on',
    because: 'What is left loose, damp or undone under a cover is found again by its damage.',
    conditions: [
      { id: 'close.put-back', need: 'all that was undone is put back or left off on purpose', record: 'put-back' },
      { id: 'close.waits', need: 'nothing is still soaking, drying or curing', record: 'no-wait' },
      {
        id: 'close.fibres',
        need: 'the last look found it dry and free of fibres',
        question: 'fibres',
        blockedBy: ['fibres.left'],
      },
      {
        id: 'close.leads',
        need: 'leads and ties keep clear of what turns',
        question: 'leads',
        blockedBy: ['leads.near'],
      },
      {
        id: 'close.pin',
        need: 'the write-protect pin is back',
        when: { mechanism: ['3in'] },
        question: 'pin',
        blockedBy: ['pin.bagged', 'pin.missing'],
      },
    ],
  },
]

const byId = new Map(GATES.map(g => [g.id, g]))
export const findGate = (id: GateId): Gate => byId.get(id)!
export const isGateId = (id: string): id is GateId => byId.has(id as GateId)
