import MiniSearch, { type SearchOptions, type SearchResult } from 'minisearch'
import { holds, QUESTIONS, type Situation } from '../findings'
import { CHECKS } from './knowledge/knowledge'
import { complaintsOn } from './list'
import { COMPLAINTS } from './knowledge/complaints'

/** What a person can say of a drive: what was found, what it does wrong, or what a check showed. */
export type SayableKind = 'finding' | 'complaint' | 'check'

export interface Sayable {
  readonly kind: SayableKind
  readonly id: string
  readonly label: string
  /** What it is about: the question that a finding answers. */
  readonly about: string
}

interface Entry extends Sayable {
  readonly key: string
  readonly topic: string
  readonly also: string
  readonly means: string
  /** Of equal hits, what a person would say first. */
  readonly weight: number
}

const FIELDS = ['label', 'topic', 'also', 'about', 'means']
/** How much a word counts, by where it stands. */
const BOOST = { label: 4, topic: 3, also: 3, about: 1, means: 0.4 }
/** Who searches has something wrong before him: what is in order, and what is a check, come later; a swap last. */
const WEIGHTS = { wrong: 1.2, complaint: 1, right: 0.5, check: 0.6, change: 0.25 }
/** Words that say nothing here. */
const FILLERS = new Set('a an the it its is are was be to of in on at and or that this with my i does do'.split(' '))
/** Words that mean the same to a person who searches, as the vocabulary has them. */
const SAME: Readonly<Record<string, string>> = {
  jumper: 'strap',
  light: 'lamp',
  led: 'lamp',
  computer: 'host',
  controller: 'host',
  pc: 'host',
  swollen: 'bulged',
  bulging: 'bulged',
  leakage: 'leak',
  seal: 'lacquer',
  glue: 'lacquer',
  oil: 'grease',
  lubricant: 'grease',
  lubrication: 'grease',
  diskette: 'disk',
  floppy: 'disk',
  rpm: 'speed',
  mold: 'mould',
}

/** A word without its ending, so that “spins”, “spinning” and “spin” are one. */
function stem(word: string): string {
  const bare = word.replace(/(?:’s|'s)$/, '')
  if (bare.length < 5) return bare.length === 4 ? bare.replace(/([^s])s$/, '$1') : bare
  return bare.replace(/(?:ing|e[drs]|[eys])$/, '').replace(/([^aeiouls])\1$/, '$1')
}

const termOf = (term: string): string | null => {
  const word = term.toLowerCase()
  return FILLERS.has(word) ? null : stem(SAME[word] ?? SAME[stem(word)] ?? word)
}

function entries(): Entry[] {
  const findings = QUESTIONS.flatMap(q =>
    q.findings.map((f): Entry => ({
      key: `finding ${f.id}`,
      kind: 'finding',
      id: f.id,
      label: f.label,
      about: q.ask,
      topic: q.topic,
      weight: f.call === 'leave' ? WEIGHTS.right : WEIGHTS.wrong,
      also: `${f.also ?? ''} ${f.id.replace(/[.-]/g, ' ')}`,
      means: f.means,
    })),
  )
  const complaints = COMPLAINTS.map((c): Entry => ({
    key: `complaint ${c.id}`,
    kind: 'complaint',
    ...c,
    about: '',
    topic: '',
    means: '',
    weight: WEIGHTS.complaint,
  }))
  const checks = CHECKS.filter(c => c.kind !== 'finding' && !c.compares).map((c): Entry => ({
    key: `check ${c.id}`,
    kind: 'check',
    id: c.id,
    label: c.title,
    about: '',
    topic: '',
    weight: c.kind === 'swap' || c.kind === 'treatment' ? WEIGHTS.change : WEIGHTS.check,
    also: c.id.replace(/[.-]/g, ' '),
    means: Object.values(c.words ?? {}).join(' '),
  }))
  return [...findings, ...complaints, ...checks]
}

let built: MiniSearch<Entry> | null = null

function index(): MiniSearch<Entry> {
  if (built) return built
  built = new MiniSearch<Entry>({
    fields: FIELDS,
    idField: 'key',
    storeFields: ['kind', 'label', 'about', 'weight'],
    processTerm: termOf,
    searchOptions: {
      boost: BOOST,
      prefix: term => term.length > 2,
      boostDocument: (_, __, stored) => Number(stored!.weight),
    },
  })
  built.addAll(entries())
  return built
}

/** What can be said of a drive, as a test of an entry. */
function sayableOn(s: Situation): (hit: Sayable) => boolean {
  const findings = new Set(QUESTIONS.filter(q => holds(q.when, s)).flatMap(q => q.findings.map(f => f.id)))
  const complaints = new Set(complaintsOn(s.mechanism).map(c => c.id))
  const checks = new Set(CHECKS.filter(c => holds(c.when, s)).map(c => c.id))
  const known = { finding: findings, complaint: complaints, check: checks }
  return hit => known[hit.kind].has(hit.id)
}

/** From what has every word as it stands to what has some of them, mistyped. */
const ROUNDS: readonly SearchOptions[] = [
  { combineWith: 'AND' },
  { combineWith: 'AND', fuzzy: term => (term.length > 4 ? 0.2 : false) },
  { combineWith: 'OR' },
  { combineWith: 'OR', fuzzy: term => (term.length > 4 ? 0.2 : false) },
]

/** The key of an entry without its kind. */
const bareId = (hit: SearchResult): string => String(hit.id).slice(hit.kind.length + 1)

/**
 * What a person may mean, by the words that people use: everything that has all the words first, and where there is
 * nothing, what has some of them. Endings do not count, and a slip of the key is forgiven.
 * @param kinds what may be said where this is asked
 */
export function searchSayable(
  words: string,
  s: Situation,
  kinds: readonly SayableKind[] = ['finding', 'complaint', 'check'],
  most = 12,
): Sayable[] {
  const allowed = sayableOn(s)
  const filter = (hit: SearchResult) =>
    kinds.includes(hit.kind) && allowed({ ...(hit as unknown as Sayable), id: bareId(hit) })
  for (const round of ROUNDS) {
    const hits = index().search(words, { ...round, filter })
    if (hits.length)
      return hits.slice(0, most).map(hit => ({ kind: hit.kind, id: bareId(hit), label: hit.label, about: hit.about }))
  }
  return []
}
