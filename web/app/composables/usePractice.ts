import { v4 as uuid } from 'uuid'
import { findReading } from '@wobrin/core/diagnosis/readings'
import { findCheck, findComplaint, findFault } from '@wobrin/core/diagnosis'
import { SPEED_KEY, standingEntries, type DriveFacts } from '@wobrin/core/log'

/** Checks of these answers have changed the drive. */
const CHANGES = /^(?:after|swap)\./
/** A number inside a band stands for it. */
const INSIDE = 1.02

/** Simulated drives with hidden faults, to practise on: the answers come from their physics. */
export function usePractice() {
  const store = useDrive()
  const notices = useNotices()
  const trying = ref(false)
  /** Checks that its physics does not reach. */
  const unable = useState<ReadonlySet<string>>('practice-unable', () => new Set())
  const seed = computed(() => store.drive?.practice ?? null)

  /** Draws a drive and receives it with what its owner would say of it. */
  async function begin(): Promise<void> {
    const { practiceDrive } = await import('@wobrin/core/simulator/rig')
    const practice = crypto.getRandomValues(new Uint32Array(1))[0]! % 1_000_000
    const { mechanism, complaints } = practiceDrive(practice)
    const { tag } = await $fetch<{ tag: string }>('/api/drives/next-tag')
    const received = await $fetch<DriveFacts>('/api/drives', {
      method: 'POST',
      body: {
        id: uuid(),
        tag,
        mechanism,
        simulated: true,
        practice,
        complaints,
        ownerWords: complaints.map(id => findComplaint(id)!.label).join('; '),
      },
    })
    await navigateTo({ path: `/drives/${received.id}`, query: { view: 'case' } })
  }

  /** What the drive answers to a check, handed on as a person would give it; counted sectors with how many. */
  async function answer(
    check: string,
    give: (value: string, of?: number) => unknown,
    cannot: () => unknown = () => leaveOut(check),
  ): Promise<void> {
    if (seed.value === null || !store.drive) return
    trying.value = true
    const { practiceAnswer, practiceSpeed } = await import('@wobrin/core/simulator/rig')
    const done = standingEntries(store.log).flatMap(e =>
      e.data?.type === 'reading' && CHANGES.test(e.data.key) ? [e.data.key] : [],
    )
    const says =
      check === SPEED_KEY
        ? (practiceSpeed(seed.value, done)?.toString() ?? null)
        : practiceAnswer(seed.value, done, check)
    trying.value = false
    if (says === null) await cannot()
    else await give(...asTyped(check, says))
  }
  function leaveOut(check: string): void {
    unable.value = new Set([...unable.value, check])
    notices.problem('The simulated drive cannot answer this check: it is left out from now on.')
  }

  /** Its hidden faults, in words. */
  async function reveal(): Promise<string[]> {
    if (seed.value === null || !store.drive) return []
    const { practiceDrive } = await import('@wobrin/core/simulator/rig')
    return practiceDrive(seed.value).faults.map(id => findFault(id)?.label ?? id)
  }
  return { able: computed(() => seed.value !== null), trying, unable, begin, answer, reveal }
}

/** Sectors that a simulated host counts: three revolutions of nine. */
const SECTORS = 27

/** An answer as it is typed: a number of its band where it is read as one, sectors of so many where counted. */
function asTyped(check: string, answer: string): [string, number?] {
  const known = findCheck(check)
  const reading = known?.kind === 'finding' ? null : findReading(check)
  if (reading?.kind === 'count') return [{ all: '27', some: '14' }[answer] ?? '0', SECTORS]
  if (reading?.kind !== 'number') return [answer]
  const bands = known!.bands
  if (!bands) return [answer]
  const i = bands.findIndex(b => b.answer === answer)
  const below = i > 0 ? bands[i - 1]!.below : null
  const above = bands[i]?.below ?? null
  if (above !== null && Number.isFinite(above)) return [String(below === null ? above / INSIDE : (below + above) / 2)]
  return [String(below === null ? 0 : below * INSIDE)]
}

export type Practice = ReturnType<typeof usePractice>
