import { addTo } from '../../base/order'
import { lowerFirst } from '../../base/observations'
import { findAgent, type Agent } from './agents'
import { lubrication, type LubricantSchool } from './lubricate'
import { MATERIALS, type Material, type Soil } from '../../drives'
import { TREATMENTS } from './treatments'

export interface AdviceInput {
  readonly materials: readonly Material[]
  readonly soils: readonly Soil[]
  readonly school: LubricantSchool
  /** Ids of the agents at hand, beside those that always are. */
  readonly shelf: readonly string[]
}

export interface AdviceStep {
  readonly title: string
  readonly agent: Agent
  readonly on: readonly Material[]
  readonly how: string
  /** Whole sentences: what to be careful of on which material. */
  readonly care: readonly string[]
  readonly dryMinutes: number
  /** Not on the shelf: to be got first. */
  readonly toGet: boolean
}

export interface Advice {
  readonly steps: readonly AdviceStep[]
  /** What must never touch what, and why: of the agents used and those ruled out. */
  readonly never: readonly string[]
  /** Why a better-known agent was not taken. */
  readonly conflicts: readonly string[]
  readonly cautions: readonly string[]
  /** Minutes of drying in all. */
  readonly dryMinutes: number
}

const list = (all: readonly string[]) =>
  all.length < 2 ? all.join('') : `${all.slice(0, -1).join(', ')} and ${all.at(-1)}`

/**
 * What to use on what, in which order, and what must never touch what. Each material gets the best agent that does it
 * no harm; where that one is not at hand, the next that is, else the best one is to be got. Both schools give complete
 * answers.
 */
export function adviseCleaning({ materials, soils, school, shelf }: AdviceInput): Advice {
  const present = [...new Set(materials)]
  const atHand = (id: string) => findAgent(id).always === true || shelf.includes(id)
  const steps: AdviceStep[] = []
  const conflicts = new Set<string>()

  for (const t of TREATMENTS.filter(t => soils.includes(t.soil)).sort((a, b) => a.order - b.order)) {
    const chosen = new Map<string, Material[]>()
    for (const on of present.filter(m => !t.on || t.on.includes(m))) {
      const ruledOut = t.agents.filter(id => findAgent(id).never[on])
      const allowed = t.agents.filter(id => !findAgent(id).never[on])
      const id = allowed.find(atHand) ?? allowed[0]
      if (!id) continue
      for (const no of ruledOut.filter(no => t.agents.indexOf(no) < t.agents.indexOf(id)))
        conflicts.add(
          `${findAgent(no).label} would serve, but not on ${lowerFirst(MATERIALS[on])}: ${findAgent(no).never[on]}.`,
        )
      addTo(chosen, id, on)
    }
    for (const [id, on] of chosen) steps.push(step(t.title, id, on, t.how, !atHand(id)))
  }

  // Heads come last of all that is cleaned, so that nothing splashes on them afterwards; then what is lubricated.
  const ordered = steps.flatMap(s =>
    s.on.includes('head') && s.on.length > 1
      ? [
          {
            ...s,
            on: s.on.filter(m => m !== 'head'),
            care: careOf(
              s.agent,
              s.on.filter(m => m !== 'head'),
            ),
          },
          { ...s, on: ['head' as const], care: careOf(s.agent, ['head']) },
        ]
      : [s],
  )
  const body = [...ordered.filter(s => !s.on.includes('head')), ...ordered.filter(s => s.on.includes('head'))]
  for (const on of present) {
    const l = lubrication(school, on)
    if (!l) continue
    const id = l.agents.find(atHand) ?? l.agents[0]!
    for (const no of ['light-oil', 'lithium'].filter(no => findAgent(no).never[on] && !l.agents.includes(no)))
      conflicts.add(`${findAgent(no).label} must not go on ${lowerFirst(MATERIALS[on])}: ${findAgent(no).never[on]}.`)
    body.push(step(`Lubricate: ${lowerFirst(MATERIALS[on])}`, id, [on], l.how, !atHand(id)))
  }
  const used = [...new Set(body.map(s => s.agent))]
  return {
    steps: body,
    conflicts: [...conflicts],
    never: used.flatMap(a =>
      present.filter(m => a.never[m]).map(m => `${a.label} never on ${lowerFirst(MATERIALS[m])}: ${a.never[m]}.`),
    ),
    cautions: cautionsOf(used, soils),
    // What dries side by side dries at the same time; one agent waits for the one before it.
    dryMinutes: used.reduce(
      (sum, a) =>
        sum + (a.kind === 'oil' && !body.some(s => s.agent === a && s.title.startsWith('Soften')) ? 0 : a.dryMinutes),
      0,
    ),
  }
}

function careOf(agent: Agent, on: readonly Material[]): string[] {
  return on.flatMap(m => (agent.care[m] ? [`${MATERIALS[m]}: ${agent.care[m]}.`] : []))
}

function step(title: string, id: string, on: readonly Material[], how: string, toGet: boolean): AdviceStep {
  const agent = findAgent(id)
  return { title, agent, on, how, care: careOf(agent, on), dryMinutes: agent.dryMinutes, toGet }
}

function cautionsOf(used: readonly Agent[], soils: readonly Soil[]): string[] {
  const has = (id: string) => used.some(a => a.id === id)
  return [
    ...(has('alcohol') || has('spirit')
      ? [
          `${list(used.filter(a => ['alcohol', 'spirit'].includes(a.id)).map(a => a.label))} vapour burns: ventilate, no flame, no iron until it is dry.`,
        ]
      : []),
    ...(has('vinegar')
      ? ['Vinegar is an acid: small amounts, gloves, and never together with any other cleaner.']
      : []),
    ...(soils.includes('crust') || soils.includes('rust')
      ? ['Corrosion dust: gloves, eyes covered, wash afterwards.']
      : []),
    ...(soils.includes('mould') ? ['Mould: a mask, and not in the room where you eat.'] : []),
    ...(has('fibre-pencil') ? ['Glass fibres: gloves, and wipe the place with a damp cloth.'] : []),
  ]
}

/** Where an agent must not go, for the Handbook. */
export const neverOf = (agent: Agent): string[] =>
  Object.entries(agent.never).map(([m, why]) => `${lowerFirst(MATERIALS[m as Material])} (${why})`)
