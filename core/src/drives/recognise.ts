import { MECHANISMS } from './catalogue'
import type { Front } from './front'
import type { MechanismId } from './types'

/** One look at a drive that nobody knows, with what may be seen. */
export interface KindLook {
  readonly id: 'slot' | 'closes' | 'plug' | 'height' | 'belt'
  readonly ask: string
  readonly answers: readonly { readonly id: string; readonly label: string }[]
}

/** Looks that tell the drive types apart, the most telling first. */
export const KIND_LOOKS: readonly KindLook[] = [
  {
    id: 'slot',
    ask: 'How wide is the slot for the disk?',
    answers: [
      { id: '206', label: 'About 206 mm' },
      { id: '136', label: 'About 136 mm' },
      { id: '95', label: '93 to 99 mm' },
      { id: '80', label: '78 to 82 mm' },
    ],
  },
  {
    id: 'closes',
    ask: 'What holds the disk in, or lets it out?',
    answers: [
      { id: 'lever', label: 'A lever or door' },
      { id: 'button', label: 'A push button' },
      { id: 'motor', label: 'Neither: a motor, and a small hole' },
      { id: 'hatch', label: 'A hatch or tray' },
    ],
  },
  {
    id: 'plug',
    ask: 'What is the plug to the host like?',
    answers: [
      { id: '50', label: '50 contacts on the edge of the board' },
      { id: '34-edge', label: '34 contacts on the edge of the board' },
      { id: '34-pins', label: '34 pins in two rows' },
      { id: '20', label: '20 pins in two rows' },
      { id: 'round', label: 'Round, 6 pins' },
      { id: 'wide', label: '25, 40 or 50 pins' },
      { id: 'few', label: 'Fewer' },
    ],
  },
  {
    id: 'height',
    ask: 'How high is its front?',
    answers: [
      { id: 'full', label: 'About 80 mm or more' },
      { id: 'half', label: 'About 35 to 60 mm' },
      { id: 'slim', label: 'About 25 mm' },
    ],
  },
  {
    id: 'belt',
    ask: 'Seen from below, is there a belt?',
    answers: [
      { id: 'belt', label: 'A belt, or what is left of one' },
      { id: 'direct', label: 'None: the motor sits on the spindle' },
    ],
  },
]

export type KindAnswers = Partial<Readonly<Record<KindLook['id'], string>>>

/** How far a drive type fits what was seen. */
export interface KindFit {
  readonly mechanism: MechanismId
  /** Share among all types, 0 to 1. */
  readonly share: number
}

/** A sight that does not belong to a type is still possible: cases and faceplates differ (a guess). */
const STRANGE = 0.03
/** A slot is taken for one that differs by so much, mm. */
const NEAR_MM = 6

const sees: Readonly<Record<KindLook['id'], (front: Front, drives: readonly string[], answer: string) => boolean>> = {
  slot: (f, _drives, answer) => Math.abs(f.slotMm - Number(answer)) <= NEAR_MM,
  closes: (f, _drives, answer) => (f.closes as readonly string[]).includes(answer),
  plug: (f, _drives, answer) => (f.plugs as readonly string[]).includes(answer),
  height: (f, _drives, answer) => (f.heights as readonly string[]).includes(answer),
  belt: (_f, drives, answer) => (answer === 'belt' ? drives.includes('belt') : drives.some(d => d !== 'belt')),
}

/**
 * Which drive types fit what was seen from outside, the likeliest first. Without a look all are alike.
 * @param answers by look; a look that was not made is left out
 */
export function recognise(answers: KindAnswers): KindFit[] {
  const given = KIND_LOOKS.filter(l => answers[l.id])
  const weights = MECHANISMS.map(m => ({
    mechanism: m.id,
    weight: given.reduce((w, l) => w * (sees[l.id](m.front, m.drives, answers[l.id]!) ? 1 : STRANGE), 1),
  }))
  const all = weights.reduce((s, w) => s + w.weight, 0)
  return weights.map(w => ({ mechanism: w.mechanism, share: w.weight / all })).sort((a, b) => b.share - a.share)
}
