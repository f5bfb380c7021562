import { answerSaid, type TestPoint } from '@wobrin/core/bench/bench-test'
import { findCheck } from '@wobrin/core/diagnosis'
import type { Asked } from '~/composables/useCaseAsked'
import { answeringOf } from '~/composables/useDriveCase'

/** A point of a bench test, as a check that is asked. */
export function testAsked(point: TestPoint): Asked {
  const answering = answeringOf(point)
  return {
    check: point.check,
    title: point.label,
    why: '',
    minutes: findCheck(point.check)!.minutes,
    cure: false,
    answering: {
      ...answering,
      answers: answering.answers.map(a => ({ ...a, label: answerSaid(point, a.id) })),
    },
  }
}
