import { upperFirst, type Call, type Observation } from '../../base/observations'
import { metBy, stateOf, type Cost, type Setting, type State } from './evaluate'
import {
  foundPosition,
  MODES,
  SIGNALS,
  valuesOf,
  type Cable,
  type Choice,
  type DriveProfile,
  type HostProfile,
  type Need,
} from '../../drives/hosts'
import { proveImpossible, wantText, needText, type Impossible } from './impossible'
import { settingsOf, solveFit } from './solve'

/** A choice as it should stand. */
export interface Set {
  readonly choice: Choice
  readonly position: string
  readonly from: string
  readonly moved: boolean
}

/** What a person will notice, and of which need. */
export interface Noticed {
  readonly need: Need
  readonly grade: 'missed must' | 'missed expected' | 'missed' | 'second best'
  readonly text: string
}

/** One line of the plug: what the host expects there and what the drive gives. */
export interface PinRow {
  readonly pin: number
  readonly host: string
  readonly drive: string
  /** Pin of the drive's plug, where the cable is made for the purpose. */
  readonly from?: number
  readonly agrees: boolean
}

export interface HostFit {
  readonly call: Call
  readonly setting: Setting
  readonly cost: Cost | null
  readonly sets: readonly Set[]
  readonly noticed: readonly Noticed[]
  readonly impossible: Impossible | null
  readonly pins: readonly PinRow[]
  readonly settings: number
  readonly observations: readonly Observation[]
}

const MISSED = { must: 'missed must', expected: 'missed expected', notice: 'missed' } as const

/** How a drive is set for a host, what stays amiss, and why nothing better can be had. */
export function judgeFit(host: HostProfile, drive: DriveProfile, cable: Cable): HostFit {
  const best = solveFit(host, drive, cable)
  const settings = settingsOf(drive)
  const setting = best?.setting ?? drive.choices.map(c => c.positions.indexOf(foundPosition(c)))
  const state = stateOf(drive, setting)
  const sets = drive.choices.map((choice, i): Set => {
    const [position, found] = [choice.positions[setting[i]!]!, foundPosition(choice)]
    return { choice, position: position.label, from: found.label, moved: position !== found }
  })
  const noticed = host.needs.flatMap((need): Noticed[] => {
    const at = metBy(need, state, cable)
    if (at > 0)
      return [
        {
          need,
          grade: 'second best',
          text: need.wants[at]!.but ?? `${wantText(need.wants[at]!)} in place of ${wantText(need.wants[0]!)}`,
        },
      ]
    return at === 0 ? [] : [{ need, grade: MISSED[need.weight], text: noticedOf(need, state) }]
  })
  const impossible = best === null || best.cost[0] > 0 ? proveImpossible(host, drive, cable) : null
  const call = callOf(sets, noticed, impossible, settings, host.pins !== drive.pins && cable === 'straight')
  return {
    call,
    setting,
    cost: best?.cost ?? null,
    sets,
    noticed,
    impossible,
    settings,
    pins: pinsOf(host, state, cable),
    observations: [
      {
        key: 'host.fit',
        label: `Fit for ${host.name}`,
        value: impossible
          ? impossible.needs.some(n => n.weight === 'expected')
            ? 'not known yet'
            : 'cannot be had'
          : noticed.length
            ? `with ${noticed.length} ${noticed.length === 1 ? 'thing' : 'things'} noticed`
            : 'complete',
        unit: '',
        how: `best of ${settings} settings of ${drive.name}, ${cable === 'made' ? 'cable made for it' : 'straight cable'}`,
      },
    ],
  }
}

/** What a person notices where a need is missed: of the line that is lost, of the way it behaves instead. */
function noticedOf(need: Need, state: State): string {
  if (need.otherwise) return need.otherwise
  const want = need.wants[0]!
  switch (want.kind) {
    case 'line': {
      const other =
        SIGNALS[want.signal].from === 'drive'
          ? state.lines.find(l => l.pin === want.pin && l.signal !== want.signal && SIGNALS[l.signal].from === 'drive')
          : undefined
      return other
        ? `${SIGNALS[want.signal].lost}; ${SIGNALS[other.signal].label} is taken for it`
        : SIGNALS[want.signal].lost
    }
    case 'way': {
      const is = state.ways.find(w => w.mode === want.mode)
      return is
        ? valuesOf(want.mode).find(([v]) => v === is.value)![1].noticed
        : `${MODES[want.mode].label.toLowerCase()}: the drive’s profile does not say`
    }
    case 'quiet': {
      const there = state.lines.find(l => l.pin === want.pin)
      return `${there ? SIGNALS[there.signal].label : 'a line'} arrives on pin ${want.pin}, where the host wants nothing`
    }
  }
}

function callOf(
  sets: readonly Set[],
  noticed: readonly Noticed[],
  impossible: Impossible | null,
  settings: number,
  plugs: boolean,
): Call {
  const texts = noticed.map(n => upperFirst(`${n.text}.`))
  const moved = sets.filter(s => s.moved)
  const remembered = impossible?.needs.filter(n => n.weight === 'expected') ?? []
  if (impossible && remembered.length > 0) {
    const say = list(remembered.map(needText))
    return {
      kind: 'unknown',
      reasons: [
        `No setting meets this description of the host, which is from memory. ${impossible.because}`,
        ...(plugs ? ['The plugs have different numbers of pins.'] : []),
      ],
      next: plugs
        ? 'Try a cable made for the purpose.'
        : `Look on the real host whether it uses ${say}: with a meter on that pin, or by what its programs do without it.`,
    }
  }
  if (impossible) {
    return {
      kind: 'mend',
      reasons: [
        `No setting fits. ${impossible.because}`,
        ...(plugs ? ['The plugs have different numbers of pins.'] : []),
      ],
      next:
        impossible.needs.length === 0
          ? 'Correct the drive’s profile.'
          : plugs
            ? 'Try a cable made for the purpose.'
            : `Another drive for this host, or a board between them that makes ${impossible.needs.map(needText).join(' and ')}.`,
    }
  }
  const wires = moved.filter(s => s.choice.kind !== 'strap')
  const doing = [...moved.filter(s => s.choice.kind === 'strap'), ...wires].map(
    s => `${s.choice.label} to “${s.position}”`,
  )
  const stay = noticed.length ? 'Nothing better can be had; decide whether you can live with it.' : ''
  if (moved.length === 0)
    return {
      kind: noticed.length ? 'unknown' : 'leave',
      reasons: texts.length ? texts : ['It fits as it stands.'],
      next: stay || 'Leave the straps as they are.',
    }
  return {
    kind: wires.length ? 'mend' : 'nudge',
    reasons: [
      `${noticed.length ? 'The best' : 'It fits'} with ${list([...(moved.length > wires.length ? [count(moved.length - wires.length, 'strap')] : []), ...(wires.length ? [count(wires.length, 'wire or cut', 'wires or cuts')] : [])])} changed${settings > 1 ? `, out of ${settings} settings` : ''}.`,
      ...texts,
    ],
    next: `Set ${list(doing)}.`,
  }
}

function pinsOf(host: HostProfile, state: State, cable: Cable): PinRow[] {
  return host.needs
    .flatMap((need): PinRow[] => {
      const line =
        need.wants.find(
          w =>
            w.kind === 'line' && state.lines.some(l => l.signal === w.signal && (cable === 'made' || l.pin === w.pin)),
        ) ?? need.wants[0]!
      if (line.kind === 'way') return []
      if (line.kind === 'quiet') {
        const there = state.lines.find(l => l.pin === line.pin && SIGNALS[l.signal].from === 'drive')
        return [
          {
            pin: line.pin,
            host: 'nothing',
            drive: there && cable === 'straight' ? SIGNALS[there.signal].label : 'nothing',
            agrees: !there || cable === 'made',
          },
        ]
      }
      const given = state.lines.find(l => l.signal === line.signal && (cable === 'made' || l.pin === line.pin))
      const there = given ?? state.lines.find(l => l.pin === line.pin)
      return [
        {
          pin: line.pin,
          host: SIGNALS[line.signal].label,
          drive: there ? SIGNALS[there.signal].label : 'nothing',
          agrees: given !== undefined,
          ...(cable === 'made' && given ? { from: given.pin } : {}),
        },
      ]
    })
    .sort((a, b) => a.pin - b.pin)
}

const count = (n: number, one: string, many = `${one}s`) => `${n} ${n === 1 ? one : many}`
const list = (parts: readonly string[]) =>
  parts.length < 2 ? parts.join('') : `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)}`
