import { addTo } from '../../base/order'
import { modelKey } from '../../drives/models'
import { shapeOf, toldMeasures, type Measure, type Measures, type ShapeId } from '../shapes'
import { boxOf, meet, type Range } from './box'
import { fewestGroups } from './fewest'
import { shapeWanted, type Want } from './want'

/** One item of an order: what serves all the wants that it names. */
export interface OrderItem {
  readonly label: string
  /** What it must be like; empty where only the model tells. */
  readonly measures: string
  /** Model that it is for, where no measures tell. */
  readonly model: string
  /** Measures would tell what serves, and nobody has taken them yet. */
  readonly measurable: boolean
  readonly wants: readonly Want[]
}

export interface PartOrder {
  readonly items: readonly OrderItem[]
  /** There is no list with fewer different items. */
  readonly proved: boolean
}

/**
 * One list of what nothing at hand serves, with the fewest different items: a capacitor of the higher voltage serves
 * the lower one's place too. Parts without measures are ordered by their model.
 */
export function orderParts(wants: readonly Want[]): PartOrder {
  const byShape = new Map<ShapeId, Want[]>()
  const byModel = new Map<string, Want[]>()
  for (const w of wants) {
    const shape = shapeWanted(w)
    if (shape && isMeasured(shape, w.measures)) addTo(byShape, shape, w)
    else {
      const key = `${w.part ?? w.label} ${modelKey(w.drive) ?? w.drive.id}`
      addTo(byModel, key, w)
    }
  }
  const shaped = [...byShape].map(([shape, list]) => {
    const { groups, proved } = fewestGroups(list.map(w => boxOf(shape, w.measures)))
    return {
      proved,
      items: groups.map(g =>
        measuredItem(
          shape,
          g.map(i => list[i]!),
        ),
      ),
    }
  })
  return {
    items: [...shaped.flatMap(s => s.items), ...[...byModel.values()].map(modelItem)],
    proved: shaped.every(s => s.proved),
  }
}

const isMeasured = (shape: ShapeId, measures: Measures): boolean =>
  shapeOf(shape).measures.every(m => !m.must || measures[m.id] !== undefined)

/** A belt is measured by its path. */
const isMeasurable = (want: Want): boolean => shapeWanted(want) !== null || want.part === 'belt'

function modelItem(wants: readonly Want[]): OrderItem {
  const { label, drive } = wants[0]!
  const model = `${drive.maker} ${drive.model}`.trim()
  return { label, measures: '', model, measurable: isMeasurable(wants[0]!), wants }
}

function measuredItem(shape: ShapeId, wants: readonly Want[]): OrderItem {
  const { label, measures } = shapeOf(shape)
  const serves = wants.map(w => boxOf(shape, w.measures)).reduce((a, b) => meet(a, b)!)
  const aim = Object.fromEntries(
    measures.flatMap((m): [string, number | string][] => {
      const range = serves.get(m.id)
      return range ? [[m.id, aimOf(m, range, wants)]] : []
    }),
  )
  return { label, measures: toldMeasures(shape, aim), model: '', measurable: true, wants }
}

/** What to ask for: the least or the most that serves all, or the middle of what is wanted. */
function aimOf(m: Measure, range: Range, wants: readonly Want[]): number | string {
  if (range.word !== null) return range.word
  if (m.rule === 'at least') return range.least
  if (m.rule === 'at most') return range.most
  const wanted = wants.map(w => Number(w.measures[m.id])).filter(Number.isFinite)
  const mean = wanted.reduce((sum, x) => sum + x, 0) / wanted.length
  return Number(Math.min(range.most, Math.max(range.least, mean)).toPrecision(4))
}
