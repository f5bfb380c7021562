import { asFoundRecord, recordFinding, type FindingInput } from '../../findings'
import { ParameterError } from '../../base/errors'
import { evidenceBy, lowerFirst } from '../../base/observations'
import {
  AS_FOUND_KINDS,
  type AsFoundItem,
  type Breakage,
  type DriveFacts,
  type EntryData,
  type EntryKind,
  type LogEntry,
  type NewEntry,
  type Outcome,
  type Rests,
  type StationId,
} from '../../log'
import { debtDoubts, partsThere } from '../../parts'
import { partEntry, type PartInput } from './part-entries'
import { CAUTIONS, findStation, findStep, isGateId, releaseDoubts, walk, type CautionId, type Hold } from '../stations'

/** Kinds of entries that are made by hand; measurements come in by their own way, each with its evidence. */
export type HandEntryKind = Exclude<
  EntryKind,
  'received' | 'measurement' | 'facts' | 'part-used' | 'part-lent' | 'part-back' | 'replaced' | 'replaces' | 'erased'
>

/** An entry made by hand, as it is sent. Which fields matter depends on its kind. */
export interface HandEntryInput {
  readonly id: string
  readonly at: string
  readonly kind: HandEntryKind
  readonly station: StationId
  readonly title: string
  readonly detail: string
  readonly step?: string
  readonly outcome?: Outcome
  readonly parts?: readonly string[]
  readonly minutes?: number
  readonly holds?: string | null
  readonly rests?: readonly Rests[]
  readonly wait?: string
  readonly photo?: string
  readonly finding?: FindingInput
  readonly item?: AsFoundItem
  readonly of?: string
  readonly broke?: Breakage | null
  readonly leftOff?: boolean
  readonly gate?: string
  readonly caution?: string
  readonly part?: PartInput
  readonly takesBack?: string | null
}

/** A photo as it is kept. */
export interface PhotoFacts {
  readonly sha: string
  readonly width: number
  readonly height: number
}

type Part = Partial<Pick<NewEntry, 'title' | 'detail' | 'call' | 'observations' | 'evidence'>> & {
  readonly data?: EntryData
}

const need = (field: string, problem: string, expected: string) => new ParameterError(problem, expected, { field })

/**
 * Makes a log entry of what was sent: checks it against the drive and its log, and words what the vocabulary words.
 * @param log reads the drive's log, where the kind needs it
 * @param photoOf finds a kept photo; throws where there is none
 * @throws ParameterError where something is left out, impossible, or held by a gate, a wait or a caution
 */
export function composeEntry(
  input: HandEntryInput,
  drive: DriveFacts,
  log: () => readonly LogEntry[],
  photoOf: (sha: string) => PhotoFacts,
): NewEntry {
  const part = composers[input.kind](input, drive, log, photoOf)
  const title = part.title ?? input.title
  if (!title) throw need('title', 'the entry says nothing', 'some words')
  return {
    id: input.id,
    at: input.at,
    kind: input.kind,
    station: input.station,
    driveId: drive.id,
    takesBack: input.takesBack ?? null,
    title,
    detail: part.detail ?? input.detail,
    call: part.call ?? null,
    observations: part.observations ?? [],
    evidence: part.evidence ?? null,
    data: part.data ?? null,
  }
}

type Composer = (
  input: HandEntryInput,
  drive: DriveFacts,
  log: () => readonly LogEntry[],
  photoOf: (sha: string) => PhotoFacts,
) => Part

const composers: Readonly<Record<HandEntryKind, Composer>> = {
  note: () => ({}),
  'taken-back': () => ({}),
  released: ({ at, outcome, parts = [], detail }, drive, log) => {
    if (!outcome) throw need('outcome', 'the release does not say how', 'released, parts, quarantined or returned')
    if (outcome === 'quarantined' && detail.length < MIN_REASON)
      throw need(
        'detail',
        'a quarantine needs its reason in writing',
        `at least ${MIN_REASON} characters, so that the next person knows what it may do`,
      )
    const way = walk(drive, log(), Date.parse(at))
    if (outcome === 'parts' && way.progress.outcome === 'parts')
      throw need('outcome', `${drive.tag} was stripped for parts already`, 'a drive that is not a donor yet')
    const [doubt] = outcome === 'released' ? [...releaseDoubts(way), ...debtDoubts(log())] : []
    if (doubt && detail.length < MIN_REASON)
      throw need(
        'detail',
        lowerFirst(doubt).replace(/\.$/, ''),
        `a written reason of at least ${MIN_REASON} characters, which the certificate carries`,
      )
    if (outcome !== 'parts') return { data: { type: 'release', outcome } }
    const left = partsThere(drive, log())
    const unknown = parts.find(id => !left.some(p => p.id === id))
    if (unknown !== undefined)
      throw need('parts', `there is no part “${unknown}” in it`, left.map(p => p.id).join(', '))
    const bad = left.find(p => parts.includes(p.id) && !p.good)
    if (bad) throw need('parts', `${bad.label.toLowerCase()}: ${lowerFirst(bad.says)}`, 'parts that are good')
    return {
      data: {
        type: 'release',
        outcome,
        parts: left
          .filter(p => parts.includes(p.id))
          .map(({ id, label, state, says, measures }) => ({
            id,
            label,
            state,
            says,
            ...(Object.keys(measures).length ? { measures } : {}),
          })),
      },
    }
  },
  step: (input, drive, log) => {
    const known = input.step ? findStep(input.step) : null
    if (!known) throw need('step', `there is no step “${input.step ?? ''}”`, 'one of the procedure’s')
    const state = walk(drive, log(), Date.parse(input.at))
      .stations.flatMap(s => s.steps)
      .find(s => s.step.id === input.step)
    if (state?.hold) throw need('step', heldBy(state.hold, Date.parse(input.at)), 'what holds it to be settled first')
    return { title: known.step.title, data: { type: 'step', step: known.step.id } }
  },
  station: (input, drive, log) => {
    const here = walk(drive, log(), Date.parse(input.at)).stations.find(s => s.station.id === input.station)!
    // What the goal does not need may stay undone, whatever holds it.
    const held = here.steps.find(s => s.needed && !s.done && s.hold?.kind === 'gate')
    if (held)
      throw need(
        'station',
        `“${held.step.title}” is not done, and ${heldBy(held.hold!, 0)}`,
        'the safety gate opened, or overridden with a written reason',
      )
    return { title: `${findStation(input.station).label} finished` }
  },
  wait: input => {
    if (!input.minutes) throw need('minutes', 'the wait does not say how long', 'a number of minutes')
    if (input.holds && !findStep(input.holds))
      throw need('holds', `there is no step “${input.holds}”`, 'one of the procedure’s, or none')
    const rests = input.rests?.length ? { rests: input.rests } : {}
    return { data: { type: 'wait', minutes: input.minutes, holds: input.holds ?? null, ...rests } }
  },
  'wait-ended': (input, _drive, log) => {
    if (!log().some(e => e.id === input.wait && e.data?.type === 'wait'))
      throw need('wait', 'there is no such wait on this drive', 'the id of one')
    return { data: { type: 'wait-ended', wait: input.wait! } }
  },
  photo: (input, _drive, log, photoOf) => {
    if (!input.photo) throw need('photo', 'the photo is missing', 'its SHA-256')
    const { sha, width, height } = photoOf(input.photo)
    const photo = { type: 'photo', sha, width, height } as const
    if (!input.of) return { title: input.title || 'Photo', data: photo }
    const shown = log().find(e => e.id === input.of && e.data?.type === 'finding')
    if (!shown) throw need('of', 'what the photo shows was not found on this drive', 'the id of a finding')
    return { title: input.title || `Photo: ${lowerFirst(shown.title)}`, data: { ...photo, of: shown.id } }
  },
  finding: (input, drive) => {
    const { title, call, observation, finding, place } = recordFinding(input.finding ?? {}, drive.mechanism)
    const data = { type: 'finding', finding: finding.id, place } as const
    // A tile is what eye, ear and finger say; only a typed number was read off a meter.
    const evidence = evidenceBy(input.finding?.value === undefined ? 'hand' : 'meter')
    return { title, call, observations: [observation], evidence, data }
  },
  'as-found': (input, _drive, log) => {
    const { item } = input
    if (!item) throw need('item', 'the thing itself is missing', 'what kind it is and its name')
    if (item.behind && !log().some(e => e.id === item.behind && e.data?.type === 'as-found'))
      throw need('item.behind', 'what lies in front of it is not on this drive’s record', 'the id of a thing that is')
    if (item.mark && !log().some(e => e.id === item.mark!.photo && e.data?.type === 'photo'))
      throw need('item.mark', 'the photo it is marked on is not on this drive’s log', 'the id of a photo that is')
    return {
      title: `${AS_FOUND_KINDS[item.kind]}: ${item.name}`,
      detail: [item.state, item.detail].filter(Boolean).join('; '),
      data: { type: 'as-found', item },
    }
  },
  undone: (input, _drive, log) => {
    const r = recorded(input, log())
    if (r.undone && !r.putBack)
      throw need('of', `no. ${r.number}, ${r.item.name}, is undone already`, 'one that is not')
    const how = input.broke ? { cut: 'Cut', snapped: 'Snapped', unsoldered: 'Unsoldered' }[input.broke] : 'Undone'
    return {
      title: `${how}: no. ${r.number}, ${r.item.name}`,
      data: { type: 'undone', item: r.entry.id, broke: input.broke ?? null },
    }
  },
  'put-back': (input, _drive, log) => {
    const r = recorded(input, log())
    if (!r.undone) throw need('of', `no. ${r.number}, ${r.item.name}, was never undone`, 'one that was')
    if (input.leftOff && !input.detail) throw need('detail', 'leaving it off needs a reason', 'a few words')
    return {
      title: `${input.leftOff ? 'Left off' : 'Put back'}: no. ${r.number}, ${r.item.name}`,
      data: { type: 'put-back', item: r.entry.id, leftOff: input.leftOff ?? false },
    }
  },
  part: ({ part }, drive) => partEntry(part, drive),
  override: (input, drive, log) => {
    const gate = isGateId(input.gate ?? '')
      ? walk(drive, log(), Date.parse(input.at)).gates.find(g => g.gate.id === input.gate)
      : undefined
    if (!gate)
      throw need('gate', `there is no safety gate “${input.gate ?? ''}” on this drive`, 'one of its safety gates')
    if (input.detail.length < MIN_REASON)
      throw need(
        'detail',
        'overriding a closed safety gate needs a written reason',
        `at least ${MIN_REASON} characters; the certificate carries it`,
      )
    if (gate.open) throw need('gate', `“${gate.gate.label}” is open`, 'a closed one')
    return {
      title: `Safety gate overridden: ${gate.gate.label.toLowerCase()}`,
      data: { type: 'override', gate: gate.gate.id, missing: gate.missing.map(m => m.id) },
    }
  },
  acknowledged: input => {
    const caution = CAUTIONS[input.caution as CautionId]
    if (!caution) throw need('caution', `there is no caution “${input.caution ?? ''}”`, 'one of the handbook’s')
    return {
      title: `Caution read: ${caution.text.split('.')[0]!.replace(/^[A-Z]/, c => c.toLowerCase())}`,
      data: { type: 'acknowledged', caution: caution.id },
    }
  },
}

/** Fewer characters are no reason. */
const MIN_REASON = 12

function recorded(input: HandEntryInput, log: readonly LogEntry[]) {
  const r = asFoundRecord(log).find(x => x.entry.id === input.of)
  if (!r) throw need('of', 'there is no such thing on this drive’s record', 'the id of one that was marked')
  return r
}

function heldBy(hold: Hold, nowMs: number): string {
  if (hold.kind === 'gate')
    return `the safety gate “${hold.gate.gate.label}” is closed: ${hold.gate.missing.map(m => m.sentence).join(' ')}`.replace(
      /\.$/,
      '',
    )
  if (hold.kind === 'wait')
    return `“${hold.wait.what}” holds it for another ${Math.ceil((Date.parse(hold.wait.endsAt) - nowMs) / 60_000)} min`
  return `a caution was not acknowledged in this sitting: ${hold.caution.text}`.replace(/\.$/, '')
}
