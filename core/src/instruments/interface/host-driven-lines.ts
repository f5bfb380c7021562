import type { Capture, EdgeList } from '../../signals/captures'
import { changesUpTo } from './levels'
import type { BusLines } from './lines'

/**
 * Lines of drives that have no INDEX, STEP or TRACK 0: the host drives the stepper's phases itself, or writes registers
 * behind phase lines and a strobe and reads one shared sense line. High is true on these.
 */
export const HOST_DRIVEN = {
  'phase-0': { label: 'phase 0', words: /^ph(?:ase)?[\s_-]*0$/i },
  'phase-1': { label: 'phase 1', words: /^ph(?:ase)?[\s_-]*1$/i },
  'phase-2': { label: 'phase 2', words: /^ph(?:ase)?[\s_-]*2$/i },
  'phase-3': { label: 'phase 3', words: /^ph(?:ase)?[\s_-]*3$/i },
  register: { label: 'register select', words: /^reg(?:ister)?(?:[\s_-]*sel(?:ect)?)?$/i },
  strobe: { label: 'register strobe', words: /^stro?be?$/i },
  sense: { label: 'sense', words: /^sense$/i },
} as const satisfies Readonly<Record<string, { readonly label: string; readonly words: RegExp }>>
export type HostDrivenLine = keyof typeof HOST_DRIVEN
export type HostDrivenLines = Readonly<Partial<Record<HostDrivenLine, EdgeList>>>

const NAMES = Object.keys(HOST_DRIVEN) as HostDrivenLine[]

/** Those of a capture, by the names of its channels. */
export const hostDrivenLines = (capture: Pick<Capture, 'channels'>): HostDrivenLines =>
  Object.fromEntries(
    NAMES.flatMap(line => {
      const edges = capture.channels.find(c => HOST_DRIVEN[line].words.test(c.name.split('.').at(-1)!))?.edges
      return edges ? [[line, edges]] : []
    }),
  )

/** What such lines come to, as lines of the usual kind. */
export interface Translated {
  readonly lines: BusLines
  /** From when on the cylinders are known, s; null where home was never seen. */
  readonly knownFromS: number | null
}

/** Whether a line of this kind is high at a time. */
export const isHigh = (e: EdgeList | undefined, t: number): boolean =>
  e !== undefined && ((e.initial + changesUpTo(e, t)) & 1) === 1
