import { lowerFirst } from '@wobrin/core/base/observations'
import { findCheck, findComplaint, type Diagnosis } from '@wobrin/core/diagnosis'
import { behindLooks, LOOK_MINUTES, whySettled, type DriveCase } from '@wobrin/core/bench/case'
import { answeringOf, type Answering } from './useDriveCase'

/** What is asked now: a check, or the outcome of a cure. */
export interface Asked {
  readonly check: string
  readonly title: string
  readonly why: string
  readonly minutes: number
  readonly cure: boolean
  /** The safety looks come first: the sheet is opened. */
  readonly looks?: true
  /** Complaint that the answer is about; left out where it is a check. */
  readonly settles?: string
  readonly answering: Answering
}

/**
 * Which check of a case is asked: one that was chosen, else the cure, else the best one.
 * @param busy whether the case is on its way: what is chosen meanwhile is chosen after the answer before it
 */
export function useCaseAsked(found: () => DriveCase | null, busy: () => boolean = () => false) {
  const diagnosis = () => found()?.diagnosis ?? null
  const chosen = ref<string | null>(null)
  let chosenAhead = false
  // An answer moves everything: what was chosen before it is asked no more.
  watch(
    () => diagnosis()?.evidence,
    () => {
      if (!chosenAhead) chosen.value = null
      chosenAhead = false
    },
  )
  const asked = computed((): Asked | null => {
    const d = diagnosis()
    if (!d) return null
    const again = found()!.toSettle[0]
    if (again && chosen.value === null) return settling(again, whySettled(found()!, again))
    const fitted = found()!.fitted
    if (fitted && chosen.value === null)
      return {
        check: fitted.check,
        title: `Try it with the other ${lowerFirst(fitted.label)}`,
        why: 'It was changed. What came of it tells more than any other check.',
        minutes: 3,
        cure: true,
        answering: answeringOf({ check: fitted.check }),
      }
    if (found()!.looksFirst && chosen.value === null) return looking(found()!)
    if (chosen.value === null && d.cure && d.cureCheck)
      return {
        check: d.cureCheck,
        title: d.cure.says.replace(/\.$/, ''),
        why: 'Then try it again, and say what came of it.',
        minutes: d.cure.minutes,
        cure: true,
        answering: answeringOf({ check: d.cureCheck }),
      }
    const next = d.next.find(n => n.check === chosen.value) ?? (chosen.value === null ? d.next[0] : undefined)
    const check = next?.check ?? chosen.value
    if (!check) return null
    const known = findCheck(check)!
    return {
      check,
      title: known.title.replace(/\.$/, ''),
      why: next?.why ?? '',
      minutes: next?.minutes ?? known.minutes,
      cure: false,
      answering: answeringOf({ check }, next && leavesOf(d, next)),
    }
  })
  function ask(id: string | null): void {
    chosen.value = id
    chosenAhead = busy()
  }
  return { asked, ask }
}

/** What each answer would leave, in few words. */
function leavesOf(d: Diagnosis, next: Diagnosis['next'][number]): ReadonlyMap<string, string> {
  return new Map(
    next.leaves.flatMap(l => {
      const first = l.causes[0]
      const label = d.causes.find(c => c.fault === first?.fault)?.label
      return first && label ? [[l.answer, `${percent(first.probability)} ${lowerFirst(label)}`] as const] : []
    }),
  )
}

/** Something was said to cure: what was complained of is tried again before anything else. */
const settling = (id: string, why: string): Asked => ({
  check: `complaint.${id}`,
  title: `Try it again: “${findComplaint(id)!.label}”`,
  why,
  minutes: 3,
  cure: false,
  settles: id,
  answering: {
    check: `complaint.${id}`,
    kind: 'words',
    unit: '',
    answers: [
      { id: 'cured', label: 'It is gone' },
      { id: 'seen', label: 'It is still there' },
      { id: 'now and then', label: 'Now and then' },
    ],
  },
})

/** What would be checked best lies behind a safety gate that is closed for want of looks. */
const looking = (found: DriveCase): Asked => ({
  check: 'looks',
  title: `Make the safety looks: ${lowerFirst(found.held!.gate.label)}`,
  why: `Then: ${lowerFirst(behindLooks(found))}.`,
  minutes: Math.round(found.held!.missing.length * LOOK_MINUTES),
  cure: false,
  looks: true,
  answering: { check: 'looks', kind: 'words', unit: '', answers: [] },
})
