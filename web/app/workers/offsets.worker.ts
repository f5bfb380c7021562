import { expose } from 'comlink'
import { offsetCost, usualHalfWindowUm } from '@wobrin/core/calculators/alignment'
import { LAYOUTS, layoutsOf, type MechanismId } from '@wobrin/core/drives'

/** What an offset costs a type of drive: µm at which sectors fail, and margins in the middle and half way off. */
export interface OffsetRow {
  readonly halfUm: number
  readonly outer: readonly number[]
  readonly inner: readonly number[]
}

const worker = {
  row(mechanism: MechanismId): OffsetRow {
    const last = LAYOUTS[layoutsOf(mechanism)[0]!]!.cylinders - 1
    const halfUm = usualHalfWindowUm(mechanism)
    const margins = (cylinder: number) =>
      [0, 0.5].map(share => offsetCost(mechanism, { cylinder, offsetUm: share * halfUm }).margin)
    return { halfUm, outer: margins(0), inner: margins(last) }
  },
}

export type OffsetsWorker = typeof worker

expose(worker)
