import { Graph, layout } from '@dagrejs/dagre'
import type { WorkBox } from '@wobrin/core/diagnosis'

/** A box of the map with its place: middle and size, in the drawing's units. */
export interface PlacedBox extends WorkBox {
  readonly x: number
  readonly y: number
}

/** A line between two boxes, as points. */
export interface PlacedLine {
  readonly key: string
  readonly points: readonly { readonly x: number; readonly y: number }[]
  /** Whole where what it comes from works. */
  readonly whole: boolean
}

export interface WorkMap {
  readonly boxes: readonly PlacedBox[]
  readonly lines: readonly PlacedLine[]
  readonly width: number
  readonly height: number
}

export const BOX = { width: 138, height: 40 } as const

/** A line along its points as wires are drawn: level, upright, level. */
export const wirePath = (points: PlacedLine['points']): string =>
  points
    .map(({ x, y }, i) => {
      const before = points[i - 1]
      return before
        ? `H${((before.x + x) / 2).toFixed(1)}V${y.toFixed(1)}H${x.toFixed(1)}`
        : `M${x.toFixed(1)} ${y.toFixed(1)}`
    })
    .join('')

/** Places the functions of a drive from the supply at the left to reading and writing at the right. */
export function placeWorks(works: readonly WorkBox[]): WorkMap {
  const graph = new Graph()
  graph.setGraph({ rankdir: 'LR', nodesep: 8, ranksep: 20, marginx: 2, marginy: 2 })
  graph.setDefaultEdgeLabel(() => ({}))
  for (const w of works) graph.setNode(w.id, { ...BOX })
  for (const w of works) for (const from of w.after) graph.setEdge(from, w.id)
  layout(graph)
  const state = new Map(works.map(w => [w.id, w.state]))
  const { width = 0, height = 0 } = graph.graph() as { width?: number; height?: number }
  return {
    width,
    height,
    boxes: works.map(w => {
      const { x, y } = graph.node(w.id) as { x: number; y: number }
      return { ...w, x, y }
    }),
    lines: graph.edges().map(({ v, w }) => {
      const [from, to] = [graph.node(v), graph.node(w)] as { x: number; y: number }[]
      const between = (graph.edge(v, w) as { points: { x: number; y: number }[] }).points.slice(1, -1)
      // It leaves in the middle of one side and comes in at the middle of the other.
      const ends = [
        { x: from!.x + BOX.width / 2, y: from!.y },
        { x: to!.x - BOX.width / 2, y: to!.y },
      ] as const
      const within = between.filter(
        p => p.x > ends[0].x + 1 && p.x < ends[1].x - 1 && to!.x - from!.x > BOX.width * 1.6,
      )
      return { key: `${v} ${w}`, points: [ends[0], ...within, ends[1]], whole: state.get(v) === 'works' }
    }),
  }
}
