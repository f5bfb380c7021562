/** What a case took at several sizes. */
export interface Grown {
  readonly name: string
  readonly unit: string
  readonly allowed: string
  readonly points: readonly { readonly size: number; readonly ms: number; readonly megabytes: number }[]
}

const [WIDTH, HEIGHT, COLUMNS, MARGIN] = [300, 220, 4, 44]
const INK = '#1D2A33'
const MUTED = '#5B6770'
const BLUE = '#1F4E8C'
const AMBER = '#B45309'

/** Power by which something grows over its last decade of sizes: 1 is in proportion. */
export function power(points: Grown['points'], of: (p: Grown['points'][number]) => number): number {
  const [a, b] = points.slice(-2)
  return Math.log10(Math.max(1e-6, of(b!)) / Math.max(1e-6, of(a!))) / Math.log10(b!.size / a!.size)
}

/** So much memory is the run of the engine below, whatever the size. */
const LITTLE_MB = 30

/** The same for memory, where there is enough of it to say. */
export const memoryPower = (points: Grown['points']): string =>
  points.at(-1)!.megabytes < LITTLE_MB ? `under ${LITTLE_MB} MB` : `n^${power(points, p => p.megabytes).toFixed(2)}`

/** Both axes by decades: time and memory against size, with a line in proportion to n log n for the eye. */
export function drawGrowth(cases: readonly Grown[], made: string): string {
  const rows = Math.ceil(cases.length / COLUMNS)
  const panels = cases.map((c, i) => panel(c, (i % COLUMNS) * WIDTH, 64 + Math.floor(i / COLUMNS) * HEIGHT))
  const [w, h] = [COLUMNS * WIDTH + 8, 64 + rows * HEIGHT + 8]
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${w} ${h}" font-family="B612, sans-serif" font-size="11" fill="${INK}">
<title>Time and memory against size</title>
<rect width="${w}" height="${h}" fill="#F4F1EA"/>
<text x="12" y="26" font-size="16" font-weight="bold">Time and memory against size</text>
<text x="12" y="46"><tspan fill="${BLUE}">● processor time, ms</tspan><tspan dx="18" fill="${AMBER}">◆ memory beyond the start, MB</tspan><tspan dx="18" fill="${MUTED}">dashed: n log n from the last point but one; powers are of the last decade. ${made}</tspan></text>
${panels.join('\n')}
</svg>
`
}

function panel({ name, unit, points }: Grown, left: number, top: number): string {
  const sizes = points.map(p => p.size)
  const values = points.flatMap(p => [p.ms, p.megabytes]).map(v => Math.max(0.1, v))
  const [x0, x1] = [Math.log10(sizes[0]!), Math.log10(sizes.at(-1)!)]
  const [y0, y1] = [Math.floor(Math.log10(Math.min(...values))), Math.ceil(Math.log10(Math.max(...values, 1)))]
  const x = (v: number) => left + MARGIN + ((Math.log10(v) - x0) / (x1 - x0)) * (WIDTH - MARGIN - 20)
  const y = (v: number) =>
    top + HEIGHT - 46 - ((Math.log10(Math.max(0.1, v)) - y0) / Math.max(1, y1 - y0)) * (HEIGHT - 86)
  const line = (of: (p: Grown['points'][number]) => number, colour: string, mark: string) =>
    `<polyline fill="none" stroke="${colour}" stroke-width="2" points="${points.map(p => `${x(p.size).toFixed(1)},${y(of(p)).toFixed(1)}`).join(' ')}"/>` +
    points
      .map(
        p =>
          `<text x="${x(p.size).toFixed(1)}" y="${(y(of(p)) + 4).toFixed(1)}" text-anchor="middle" fill="${colour}">${mark}</text>`,
      )
      .join('')
  const [from, last] = points.slice(-2)
  const nLogN = (n: number) => n * Math.log2(n + 1)
  const guide = from!.ms * (nLogN(last!.size) / nLogN(from!.size))
  // The guide ends where the panel does.
  const top10 = 10 ** y1
  const share = Math.min(1, Math.log(top10 / from!.ms) / Math.log(guide / from!.ms))
  const guideSize = from!.size * (last!.size / from!.size) ** share
  const ticks = Array.from({ length: y1 - y0 + 1 }, (_, k) => 10 ** (y0 + k))
  const powers = `time n^${power(points, p => p.ms).toFixed(2)}, memory ${memoryPower(points)}`
  return `<g>
<text x="${left + MARGIN}" y="${top + 14}" font-size="13" font-weight="bold">${name}</text>
<text x="${left + MARGIN}" y="${top + 29}" fill="${MUTED}">${powers}</text>
${ticks.map(t => `<line x1="${left + MARGIN}" x2="${left + WIDTH - 20}" y1="${y(t).toFixed(1)}" y2="${y(t).toFixed(1)}" stroke="#D8D2C6"/><text x="${left + MARGIN - 6}" y="${(y(t) + 4).toFixed(1)}" text-anchor="end" fill="${MUTED}">${number(t)}</text>`).join('')}
<line x1="${x(from!.size).toFixed(1)}" y1="${y(from!.ms).toFixed(1)}" x2="${x(guideSize).toFixed(1)}" y2="${y(Math.min(guide, top10)).toFixed(1)}" stroke="${MUTED}" stroke-dasharray="4 4"/>
${line(p => p.megabytes, AMBER, '◆')}
${line(p => p.ms, BLUE, '●')}
${sizes.map(s => `<text x="${x(s).toFixed(1)}" y="${top + HEIGHT - 28}" text-anchor="middle" fill="${MUTED}">${number(s)}</text>`).join('')}
<text x="${left + MARGIN + (WIDTH - MARGIN - 20) / 2}" y="${top + HEIGHT - 12}" text-anchor="middle">${unit}</text>
</g>`
}

const number = (n: number) => (n >= 1e6 ? `${n / 1e6} M` : n >= 1e4 ? `${n / 1e3} k` : String(Number(n.toPrecision(2))))
