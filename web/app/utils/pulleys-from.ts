import { beltLayout, beltPath } from '@wobrin/core/calculators/mechanics'
import type { Pulleys } from '@wobrin/core/drives'
import { readQuantity } from '@wobrin/core/calculators/calculator'

/**
 * What the Speed instrument needs of a belt, from what was typed into the belt's: diameters at its middle, and its
 * length.
 */
export function pulleysFrom(typed: Readonly<Record<string, string>>): Pulleys {
  const size = (key: string) => readQuantity(typed[key] ?? '', 'length', key)
  const optional = Object.fromEntries(
    ['idler', 'idlerX', 'idlerY'].flatMap(k => (typed[k]?.trim() ? [[k, size(k)]] : [])),
  )
  const layout = beltLayout({
    motor: size('motor'),
    flywheel: size('flywheel'),
    centre: size('centre'),
    section: size('section'),
    ...optional,
    idlerSide: typed.idlerSide || undefined,
  })
  const round = (mm: number) => Number(mm.toFixed(2))
  return {
    motorPulleyMm: round(layout[0]!.r * 2),
    flywheelMm: round(layout[1]!.r * 2),
    beltLengthMm: round(beltPath(layout).length),
  }
}
