import { describe, expect, it } from 'vitest'
import { fractionWords, learnTrimmer, remainingMove, speedFromPulses } from '../../../src/instruments/spindle'
import { sineModulated, train } from '../../helpers'

const reading = (rpm: number, movedTurns = 0) => ({ rpm, uncertainty: 0.2, movedTurns })

describe('a trimmer that learns', () => {
  it('knows nothing before the first move', () => {
    expect(learnTrimmer([])).toEqual({ answer: 'untried', rpmPerTurn: null, moves: 0 })
    expect(learnTrimmer([reading(309), reading(309.1)]).answer).toBe('untried')
  })

  it('after one eighth to the left knows how far and which way remains', () => {
    const known = learnTrimmer([reading(317.5), reading(313.4, -1 / 8)])
    expect(known.rpmPerTurn).toBeCloseTo(32.8, 1)
    expect(remainingMove(known, 313.4, 300)).toEqual({
      direction: 'left',
      turns: expect.closeTo(13.4 / 32.8, 2),
      words: 'about three eighths of a turn to the left',
    })
    expect(remainingMove(known, 298, 300)!.words).toBe('about a sixteenth of a turn to the right')
    expect(remainingMove(known, 300, 300)).toBeNull()
  })

  it('weighs several moves and does not mind a screw that turns the other way', () => {
    const known = learnTrimmer([reading(290), reading(286.1, 1 / 8), reading(294, -1 / 4), reading(296.1, -1 / 16)])
    expect(known.answer).toBe('answers')
    expect(known.rpmPerTurn!).toBeGreaterThan(-34)
    expect(known.rpmPerTurn!).toBeLessThan(-30)
    expect(remainingMove(known, 296.1, 300)!.direction).toBe('left')
  })

  it('asks for more where one move gave no answer, and calls a fault when it stays dead', () => {
    expect(learnTrimmer([reading(309), reading(309.1, 1 / 8)]).answer).toBe('unclear')
    expect(learnTrimmer([reading(309), reading(309.1, 1 / 8), reading(308.9, 1 / 8)]).answer).toBe('dead')
  })

  it('notices when a trimmer that answered stops answering', () => {
    const known = learnTrimmer([reading(317.5), reading(313.4, -1 / 8), reading(313.3, -1 / 8), reading(313.4, -1 / 8)])
    expect(known.answer).toBe('dead')
    expect(known.rpmPerTurn).toBeCloseTo(32.8, 1)
  })

  it('calls answers in both directions erratic', () => {
    expect(learnTrimmer([reading(309), reading(305, -1 / 8), reading(309, -1 / 8)]).answer).toBe('erratic')
  })

  it('speaks in fractions that a hand can make', () => {
    expect([0.03, 0.07, 0.12, -0.24, 0.52, 1.1].map(fractionWords)).toEqual([
      'a hair',
      'a sixteenth of a turn',
      'an eighth of a turn',
      'a quarter turn',
      'half a turn',
      'a whole turn',
    ])
    expect(() => remainingMove(learnTrimmer([]), 300, 0)).toThrow('a speed above 0')
  })

  it('leads the call’s advice', () => {
    const trimmer = learnTrimmer([reading(317.5), reading(313.4, -1 / 8)])
    const { verdict } = speedFromPulses(
      train(sineModulated(313.4, 0, 1, 10)),
      {},
      { mechanism: '5.25in-48', school: 'leave-alone', trimmer },
    )
    expect(verdict).toMatchObject({
      kind: 'nudge',
      next: 'Turn the trimmer about three eighths of a turn to the left, then measure again.',
    })
    expect(verdict.reasons[1]).toBe('One turn to the right changes the speed by about +33 r/min, learned from 1 move.')
  })
})
