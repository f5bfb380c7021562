import { ParameterError } from '../../../base/errors'
import { upperFirst, type Call } from '../../../base/observations'
import { HOSTS, type HostProfile } from '../../../drives/hosts'
import type { Calculator, CalculatorResult, Row, Values } from '../../calculator'
import { ASPECT_IDS, ASPECTS, type AspectId } from './aspects'
import { inferStraps, MOST_STRAPS, type StrapBelief, type StrapTry } from './infer-straps'
import { nextStrap, type Need, type Needs, type StrapAdvice } from './next-strap'

/** Tries that one sheet holds. */
const MOST_TRIES = 24
/** From here on a strap's meaning is told. */
const TOLD = 0.15

const NONE = /^(?:none|no|-|0|open)$/i

/** Names as they were typed, parted by commas or spaces. */
const namesIn = (text: unknown): string[] =>
  String(text ?? '')
    .split(/[\s,;]+/)
    .filter(Boolean)

function strapsOf(v: Values): string[] {
  const names = namesIn(v.straps)
  const twice = names.find((n, i) => names.findIndex(x => x.toLowerCase() === n.toLowerCase()) !== i)
  if (twice) throw new ParameterError(`strap ${twice} stands twice`, 'each strap once', { field: 'straps' })
  if (names.length > MOST_STRAPS)
    throw new ParameterError(`${names.length} straps`, `at most ${MOST_STRAPS}`, { field: 'straps' })
  return names
}

function tryOf(r: Row, straps: readonly string[]): StrapTry {
  const text = String(r.set).trim()
  const set = NONE.test(text) ? [] : namesIn(text)
  const strange = set.find(n => !straps.some(s => s.toLowerCase() === n.toLowerCase()))
  if (strange !== undefined)
    throw new ParameterError(`try ${r.row}: “${strange}” is not one of the straps`, straps.join(', '), {
      field: `tries.${r.row - 1}.set`,
    })
  const seen = Object.fromEntries(
    ASPECT_IDS.flatMap(a => (r[a] === undefined ? [] : [[a, r[a] === 'right'] as const])),
  ) as StrapTry['seen']
  return { set: straps.map(s => set.some(n => n.toLowerCase() === s.toLowerCase())), seen }
}

/** What each aspect is to a host: by its profile, or needed as soon as somebody looked at it. */
function needsOf(host: HostProfile | null, tries: readonly StrapTry[]): Needs {
  const looked = (a: AspectId): Need => (tries.some(t => t.seen[a] !== undefined) ? 'needed' : 'unused')
  const wanted = (is: (w: HostProfile['needs'][number]['wants'][number]) => boolean): Need => {
    const need = host!.needs.find(n => n.wants.some(is))
    return !need ? 'unused' : need.weight === 'notice' ? 'noticed' : 'needed'
  }
  if (!host) return Object.fromEntries(ASPECT_IDS.map(a => [a, looked(a)])) as Needs
  return {
    // No host works with a drive that does not answer, or with a motor that never turns.
    select: 'needed',
    motor: 'needed',
    ready: wanted(w => w.kind === 'line' && w.signal === 'ready'),
    change: wanted(w => w.kind === 'line' && w.signal === 'disk-change'),
    density: wanted(w => w.kind === 'way' && w.mode === 'density'),
    heads: looked('heads'),
    lines: looked('lines'),
  }
}

const list = (names: readonly string[]): string =>
  names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`
const percent = (p: number): string => `${Math.round(100 * p)} %`
const aspects = (ids: readonly AspectId[]): string => list(ids.map(a => ASPECTS[a].label.toLowerCase()))
const standsSaid = (set: readonly boolean[], straps: readonly string[]): string => {
  const on = straps.filter((_, s) => set[s])
  return on.length ? `${list(on)} set${on.length < straps.length ? ', the rest open' : ''}` : 'all open'
}

function callOf(advice: StrapAdvice, straps: readonly string[], needs: Needs): Call {
  switch (advice.kind) {
    case 'look':
      return {
        kind: 'unknown',
        reasons: ['Nothing was tried yet.'],
        next: 'Photograph the straps. Try the drive as it stands, and enter what was right as the first try.',
      }
    case 'serves': {
      const only = advice.missed.filter(a => needs[a] === 'noticed')
      return {
        kind: 'leave',
        reasons: [
          only.length
            ? `All that the host needs is right. Only some programs notice: ${aspects(only)}.`
            : 'All that was looked at is right.',
        ],
        next: `Leave them so: ${standsSaid(advice.best.set, straps)}. Write it on the drive.`,
      }
    }
    case 'none':
      return {
        kind: 'mend',
        reasons: [`None of the straps is likely to bring ${aspects(advice.missed)}.`],
        next: `Go back to: ${standsSaid(advice.best.set, straps)}. The line may be on another pin, or not on this drive: see Host fit for a wire.`,
      }
    case 'move': {
      const name = straps[advice.strap]!
      const to = advice.set[advice.strap] ? 'set' : 'open'
      const back = advice.back.map(s => `${straps[s]} back to ${advice.best.set[s] ? 'set' : 'open'}`)
      const hopes = advice.hopes.map(h => `${ASPECTS[h.aspect].label.toLowerCase()}, ${percent(h.probability)}`)
      return {
        kind: 'nudge',
        reasons: [`${upperFirst(name)} ${to === 'set' ? 'set' : 'opened'} may bring: ${list(hopes)}.`],
        next: `Power off. ${back.length ? `Put ${list(back)}. ` : ''}${to === 'set' ? `Set ${name}` : `Open ${name}`}, nothing else, and try. The way back: ${name} ${to === 'set' ? 'open' : 'set'}.`,
      }
    }
  }
}

/** What each strap probably decides, the surest first. */
function meanings(belief: StrapBelief, straps: readonly string[]): (readonly [string, string, string, string])[] {
  return straps
    .flatMap((name, s) =>
      ASPECT_IDS.map(a => ({ name, a, set: belief[a].bySet[s]!, open: belief[a].byOpen[s]! })).filter(
        m => m.set + m.open >= TOLD,
      ),
    )
    .sort((x, y) => y.set + y.open - x.set - x.open)
    .map(
      m =>
        [
          m.name,
          ASPECTS[m.a].meaning,
          m.set > 3 * m.open ? 'set' : m.open > 3 * m.set ? 'open' : 'not known',
          percent(m.set + m.open),
        ] as const,
    )
}

function judge(v: Values, rows: readonly Row[]): CalculatorResult {
  const straps = strapsOf(v)
  const tries = rows.map(r => tryOf(r, straps))
  const host = v.host === undefined ? null : HOSTS[Number(v.host)]!
  const needs = needsOf(host, tries)
  const belief = inferStraps(straps.length, tries)
  const advice = nextStrap(belief, tries, needs)
  const told = meanings(belief, straps)
  const called = callOf(advice, straps, needs)
  return {
    call: called,
    lines: [
      ...(advice.kind === 'look'
        ? []
        : [{ label: 'Best so far', value: standsSaid(advice.best.set, straps), unit: '' }]),
      ...(host
        ? [
            {
              label: 'The host needs',
              value: aspects(ASPECT_IDS.filter(a => needs[a] === 'needed')) || 'nothing of these',
              unit: '',
            },
            {
              label: 'Only some programs notice',
              value: aspects(ASPECT_IDS.filter(a => needs[a] === 'noticed')) || 'nothing of these',
              unit: '',
            },
          ]
        : []),
    ],
    observations: [
      {
        key: 'straps.next',
        label: 'Next strap',
        value: advice.kind === 'move' ? straps[advice.strap]! : advice.kind === 'serves' ? 'none: it serves' : 'none',
        unit: '',
        how: `${tries.length} ${tries.length === 1 ? 'try' : 'tries'} of ${straps.length} straps`,
      },
    ],
    table: {
      title: 'What the straps may mean',
      columns: ['Strap', 'Decides', 'Right while', 'Probability'],
      rows: told.map(r => [...r]),
    },
  }
}

const choicesOf = (a: AspectId) => Object.entries(ASPECTS[a].answers).map(([value, label]) => ({ value, label }))

export const strapsCalculator: Calculator = {
  id: 'unknown-straps',
  title: 'Unknown straps',
  station: 'electronics',
  group: 'Straps',
  purpose: 'Straps of which nobody knows the meaning: which one to move next, one at a time, by what was seen.',
  fields: [
    {
      key: 'straps',
      label: 'Straps',
      hint: 'their names, with commas: A, B, C',
      words: true,
      required: true,
    },
    {
      key: 'host',
      label: 'Host',
      hint: 'what it needs, and what only some programs notice',
      choices: HOSTS.map((h, i) => ({ value: String(i), label: h.name })),
    },
  ],
  list: {
    key: 'tries',
    title: 'Tries, the first as it stood',
    one: 'try',
    most: MOST_TRIES,
    fields: [
      { key: 'set', label: 'Straps that are set', hint: 'or “none”', words: true, required: true },
      ...ASPECT_IDS.map(a => ({ key: a, label: ASPECTS[a].label, choices: choicesOf(a) })),
    ],
  },
  formulas: [
    'Each strap may decide one of seven things, or READY and DISK CHANGE together, and is right in one position.',
    'All ways in which different straps decide them are summed; each answer may be wrong 3 times in 100 (from memory).',
    'Next: the strap whose move most likely brings what the host lacks, and what is learned from it.',
  ],
  judge,
}
