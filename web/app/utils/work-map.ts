import { LANES, type WorkBox } from '@wobrin/core/diagnosis'

/** A box of the map with the middle of it, in the drawing's units. */
export interface PlacedBox extends WorkBox {
  readonly x: number
  readonly y: number
}

/** A line between two boxes, as corners. */
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

export const BOX = { width: 136, height: 40 } as const
/** Free ways between columns and between rows, and the edge around all. */
const WAY = { across: 18, down: 16, edge: 12 } as const
/** Lines of different boxes in one way are set apart by so much. */
const APART = 3
/** Columns of the map; a longer row makes it wider. */
const LEAST_COLUMNS = 6

interface Cell {
  readonly row: number
  readonly column: number
}

/** A line along its corners. */
export const wirePath = (points: PlacedLine['points']): string =>
  points.map(({ x, y }, i) => `${i ? 'L' : 'M'}${x.toFixed(1)} ${y.toFixed(1)}`).join('')

/**
 * Places the functions of a drive in rows, from supply at the top left to writing at the bottom right: each row is one
 * part of the drive and is read like a line of text. Lines run in the ways between boxes, never through one.
 */
export function placeWorks(works: readonly WorkBox[]): WorkMap {
  const rows = LANES.map(lane => works.filter(w => w.lane === lane)).filter(row => row.length)
  const columns = Math.max(LEAST_COLUMNS, ...rows.map(row => row.length))
  const cells = new Map<string, Cell>()
  rows.forEach((row, r) => {
    // The last row is what all the others are for: it ends at the right.
    const start = r === rows.length - 1 ? columns - row.length : 0
    row.forEach((w, i) => cells.set(w.id, { row: r, column: start + i }))
  })
  const at = ({ row, column }: Cell) => ({
    x: WAY.edge + BOX.width / 2 + column * (BOX.width + WAY.across),
    y: WAY.edge + BOX.height / 2 + row * (BOX.height + WAY.down),
  })
  return {
    width: 2 * WAY.edge + columns * BOX.width + (columns - 1) * WAY.across,
    height: 2 * WAY.edge + rows.length * BOX.height + (rows.length - 1) * WAY.down,
    boxes: rows.flat().map(w => ({ ...w, ...at(cells.get(w.id)!) })),
    lines: works.flatMap((w, i) =>
      w.after
        .filter(from => cells.has(from))
        .map((from, k) => ({
          key: `${from} ${w.id}`,
          points: cornersOf(cells.get(from)!, cells.get(w.id)!, at, ((i + k) % 3) - 1),
          whole: works.find(o => o.id === from)!.state === 'works',
        })),
    ),
  }
}

/** Corners from the right side of one box to the left side of another. @param lane -1 to 1, its place in the ways */
function cornersOf(from: Cell, to: Cell, at: (c: Cell) => { x: number; y: number }, lane: number) {
  const [a, b] = [at(from), at(to)]
  const start = { x: a.x + BOX.width / 2, y: a.y }
  const end = { x: b.x - BOX.width / 2, y: b.y }
  if (from.row === to.row && to.column === from.column + 1) return [start, end]
  const out = start.x + WAY.across / 2 + lane * APART
  if (to.column === from.column + 1) return [start, { x: out, y: start.y }, { x: out, y: end.y }, end]
  const into = end.x - WAY.across / 2 + lane * APART
  // Along the way above the box that it goes to, or below it where it comes from below.
  const side = from.row > to.row ? 1 : -1
  const along = b.y + side * (BOX.height / 2 + WAY.down / 2) + lane * APART
  return [start, { x: out, y: start.y }, { x: out, y: along }, { x: into, y: along }, { x: into, y: end.y }, end]
}
