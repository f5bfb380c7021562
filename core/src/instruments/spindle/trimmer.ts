import { ParameterError } from '../../base/errors'

/** A speed reading, and the move of the trimmer that led to it. */
export interface TrimmerReading {
  readonly rpm: number
  /** Half-width of the reading's 95 % interval, r/min. */
  readonly uncertainty: number
  /**
   * Turns of the screw since the reading before: positive to the right (clockwise), negative to the left, 0 for none.
   */
  readonly movedTurns: number
}

export type TrimmerAnswer = 'untried' | 'answers' | 'unclear' | 'dead' | 'erratic'

export interface TrimmerKnowledge {
  readonly answer: TrimmerAnswer
  /** Change of speed for one turn to the right, r/min; null until it is known. */
  readonly rpmPerTurn: number | null
  /** How many moves it was learned from. */
  readonly moves: number
}

/** A hand's "about an eighth" is off by about this share. */
const HAND = 0.25
/** Moves adding up to this many turns without an answer make a dead trimmer. */
const DEAD_TURNS = 0.24

/**
 * Learns from the readings so far how the trimmer answers.
 * @param readings oldest first; the first one's move is ignored
 */
export function learnTrimmer(readings: readonly TrimmerReading[]): TrimmerKnowledge {
  const moves = readings
    .slice(1)
    .map((r, i) => ({
      turns: r.movedTurns,
      change: r.rpm - readings[i]!.rpm,
      noise: Math.hypot(r.uncertainty, readings[i]!.uncertainty, r.rpm * 1e-4),
    }))
    .filter(m => Math.abs(m.turns) > 1e-6)
  if (moves.length === 0) return { answer: 'untried', rpmPerTurn: null, moves: 0 }

  const answered = moves.filter(m => Math.abs(m.change) > 2 * m.noise)
  const slopes = answered.map(m => m.change / m.turns)
  const right = slopes.filter(s => s > 0).length
  if (right > 0 && right < slopes.length) return { answer: 'erratic', rpmPerTurn: null, moves: moves.length }

  // Least squares through the origin, large moves counting more: a hand's error is a share of the move.
  let top = 0
  let bottom = 0
  for (const m of answered) {
    const weight = 1 / (m.noise ** 2 + (HAND * m.change) ** 2)
    top += weight * m.turns * m.change
    bottom += weight * m.turns ** 2
  }
  const rpmPerTurn = bottom > 0 ? top / bottom : null

  let silent = 0
  for (let i = moves.length - 1; i >= 0; i--) {
    const m = moves[i]!
    const expected = rpmPerTurn === null ? Infinity : Math.abs(rpmPerTurn * m.turns)
    // Where the answer would have drowned in the noise, silence proves nothing.
    if (
      Math.abs(m.change) > Math.max(2 * m.noise, 0.15 * (rpmPerTurn === null ? 0 : expected)) ||
      expected < 4 * m.noise
    )
      break
    silent += Math.abs(m.turns)
  }
  if (silent >= DEAD_TURNS) return { answer: 'dead', rpmPerTurn, moves: moves.length }
  if (silent > 0 || rpmPerTurn === null) return { answer: 'unclear', rpmPerTurn, moves: moves.length }
  return { answer: 'answers', rpmPerTurn, moves: moves.length }
}

const FRACTIONS: readonly (readonly [number, string])[] = [
  [1 / 32, 'a hair'],
  [1 / 16, 'a sixteenth of a turn'],
  [1 / 8, 'an eighth of a turn'],
  [3 / 16, 'three sixteenths of a turn'],
  [1 / 4, 'a quarter turn'],
  [3 / 8, 'three eighths of a turn'],
  [1 / 2, 'half a turn'],
  [3 / 4, 'three quarters of a turn'],
  [1, 'a whole turn'],
  [1.5, 'one and a half turns'],
  [2, 'two turns'],
  [3, 'three turns'],
]

export interface TrimmerMove {
  readonly direction: 'left' | 'right'
  /** Turns, positive. */
  readonly turns: number
  /** Such as "about an eighth of a turn to the left". */
  readonly words: string
}

/** A number of turns as a hand would make it: the nearest usual fraction, by ratio. */
export function fractionWords(turns: number): string {
  const size = Math.abs(turns)
  const [, words] = FRACTIONS.reduce((best, f) =>
    Math.abs(Math.log(size / f[0])) < Math.abs(Math.log(size / best[0])) ? f : best,
  )
  return words
}

/**
 * The move that remains to the target speed; null until the trimmer's answer is known or when nothing remains.
 * @throws ParameterError for a target that is no speed
 */
export function remainingMove(knowledge: TrimmerKnowledge, rpm: number, target: number): TrimmerMove | null {
  if (!(target > 0)) throw new ParameterError(`a target of ${target} r/min`, 'a speed above 0', { field: 'target' })
  if (!knowledge.rpmPerTurn || rpm === target) return null
  const turns = (target - rpm) / knowledge.rpmPerTurn
  const direction = turns < 0 ? 'left' : 'right'
  return { direction, turns: Math.abs(turns), words: `about ${fractionWords(turns)} to the ${direction}` }
}
