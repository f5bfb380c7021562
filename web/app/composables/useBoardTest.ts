import { benchTestByLines, type PointResult } from '@wobrin/core/bench/bench-test'
import type { MechanismId } from '@wobrin/core/drives'
import type { HandsAsked, HostTestStep } from '@wobrin/core/instruments/bench-link'
import type { BusReport } from '@wobrin/core/instruments/interface'

/** A drive that is tried through a board, and what the recording of it shows. */
export function useBoardTest(board: Board, mechanism: Ref<MechanismId>) {
  const steps = ref<HostTestStep[]>([])
  const hands = ref<HandsAsked | null>(null)
  const file = shallowRef<File | null>(null)
  const bus = useBusRecording(useDriveWorker())
  const report = shallowRef<BusReport | null>(null)
  let answered: (did: boolean) => void = () => {}

  async function run(cylinders: number, heads: 1 | 2): Promise<void> {
    steps.value = []
    report.value = file.value = null
    const done = await board.hostTest(
      cylinders,
      heads,
      step => {
        steps.value.push(step)
      },
      what => {
        hands.value = what
        return new Promise(resolve => {
          answered = resolve
        })
      },
    )
    if (done === null) return
    file.value = await board.recording('drive test')
    if (file.value && (await bus.open(file.value))) report.value = bus.report.value
  }
  function answer(did: boolean): void {
    hands.value = null
    answered(did)
  }

  /** What the recording says of the points of a bench test. */
  const points = computed((): readonly PointResult[] => {
    if (!report.value) return []
    const drive = { mechanism: mechanism.value, features: null, nominalRpm: null, motor: null }
    return benchTestByLines(drive, report.value.shows).points.filter(p => p.seen !== '')
  })

  return { steps, hands, report, file, points, run, answer }
}

export type BoardTest = ReturnType<typeof useBoardTest>
