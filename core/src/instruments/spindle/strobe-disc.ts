import { ParameterError } from '../../base/errors'
import { strobeBars } from './strobe'

export interface StrobeDiscOptions {
  /** Outer diameter in mm. */
  readonly diameterMm: number
  /** Diameter of the centre hole in mm. */
  readonly holeMm: number
  /** One ring each, outermost first. */
  readonly rings: readonly { readonly rpm: number; readonly mainsHz: number }[]
}

const SHEET_MARGIN = 8
const RULER_MM = 50
const n = (x: number) => Number(x.toFixed(3)).toString()

function ring(bars: number, inner: number, outer: number): string {
  const paths: string[] = []
  for (let i = 0; i < bars; i++) {
    const a = (2 * Math.PI * i) / bars
    const b = a + Math.PI / bars
    const at = (r: number, angle: number) => `${n(r * Math.cos(angle))} ${n(r * Math.sin(angle))}`
    paths.push(
      `M${at(inner, a)}L${at(outer, a)}A${n(outer)} ${n(outer)} 0 0 1 ${at(outer, b)}L${at(inner, b)}A${n(inner)} ${n(inner)} 0 0 0 ${at(inner, a)}Z`,
    )
  }
  return `<path d="${paths.join('')}"/>`
}

/**
 * A strobe disc drawn to scale, one unit a millimetre, with a line to check the print's scale by.
 * @throws ParameterError where the rings do not fit, or bars would be too fine to print
 */
export function strobeDiscSvg({ diameterMm, holeMm, rings }: StrobeDiscOptions): string {
  if (!(diameterMm >= 20 && diameterMm <= 280))
    throw new ParameterError(`a disc of ${diameterMm} mm`, '20 to 280 mm', { field: 'diameter' })
  if (!(holeMm >= 0 && holeMm < diameterMm - 10))
    throw new ParameterError(`a hole of ${holeMm} mm`, `0 to ${diameterMm - 10} mm`, { field: 'hole' })
  if (rings.length < 1 || rings.length > 4)
    throw new ParameterError(`${rings.length} rings`, '1 to 4', { field: 'rings' })
  const outer = diameterMm / 2
  const width = (outer - holeMm / 2 - 1) / rings.length
  if (width < 3)
    throw new ParameterError(
      `rings ${width.toFixed(1)} mm wide`,
      'at least 3 mm: fewer rings, a smaller hole or a larger disc',
      { field: 'rings' },
    )
  const drawn: string[] = []
  const words: string[] = []
  rings.forEach(({ rpm, mainsHz }, i) => {
    const found = strobeBars(rpm, mainsHz)
    const high = outer - 0.5 - i * width
    const low = high - width * 0.8
    if ((Math.PI * low) / found.bars < 0.3) {
      throw new ParameterError(
        `${found.bars} bars on a ring of ${(2 * low).toFixed(0)} mm`,
        'bars at least 0.3 mm wide: a larger disc',
        { field: 'rings' },
      )
    }
    drawn.push(ring(found.bars, low, high))
    const where =
      rings.length === 1 ? '' : i === 0 ? 'outer ring: ' : i === rings.length - 1 ? 'inner ring: ' : `ring ${i + 1}: `
    const off = found.fits
      ? ''
      : `, ${found.errorPercent > 0 ? '+' : '−'}${Math.abs(found.errorPercent).toFixed(2)} % off ${n(rpm)}`
    words.push(
      `${where}${found.bars} bars stand still at ${n(Number(found.stillRpm.toFixed(2)))} r/min, ${n(mainsHz)} Hz${off}`,
    )
  })
  const w = Math.max(diameterMm, 110) + 2 * SHEET_MARGIN
  const textTop = outer + 7
  const bottom = textTop + 5 * words.length + 12
  const text = words
    .map((line, i) => `<text x="0" y="${n(textTop + 5 * i)}" text-anchor="middle">${line}</text>`)
    .join('')
  const y = textTop + 5 * words.length + 3
  const ruler =
    `<path d="M${-RULER_MM / 2} ${n(y)}h${RULER_MM}M${-RULER_MM / 2} ${n(y - 2)}v4M${RULER_MM / 2} ${n(y - 2)}v4" fill="none" stroke="#000" stroke-width="0.3"/>` +
    `<text x="0" y="${n(y + 5)}" text-anchor="middle">This line is ${RULER_MM} mm long. If yours is not, print without scaling.</text>`
  const h = bottom + outer + SHEET_MARGIN
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${n(w)}mm" height="${n(h)}mm" viewBox="${n(-w / 2)} ${n(-outer - SHEET_MARGIN)} ${n(w)} ${n(h)}" font-family="B612, sans-serif" font-size="3">` +
    `<circle r="${n(outer)}" fill="#fff" stroke="#000" stroke-width="0.2"/>${drawn.join('')}` +
    `<circle r="${n(Math.max(0.5, holeMm / 2))}" fill="#fff" stroke="#000" stroke-width="0.2"/><path d="M-2 0h4M0 -2v4" stroke="#000" stroke-width="0.15"/>${text}${ruler}</svg>`
  )
}
