import type { SourceId } from '@wobrin/core/base/observations'
import { findCheck } from '@wobrin/core/diagnosis'
import type { LogEntry } from '@wobrin/core/log'

/** Sources that a person can name; what a recording or a calculator would tell is told by hand here. */
const TYPED: ReadonlySet<SourceId> = new Set(['meter', 'probe', 'host', 'hand', 'said'])

/** Putting complaints and answers of checks on the log of the drive at hand; findings by the way that they have. */
export function useCaseAnswers(pick: (finding: string) => Promise<boolean>) {
  const store = useDrive()
  const { post } = useLogPost()
  const attempt = useAttempt()
  /** The reading that was put on the log last. */
  const kept = shallowRef<LogEntry | null>(null)
  /** An answer is on its way to the log. */
  const sending = ref(false)

  /** Puts a reading on the log; `of` are the sectors that were tried, where sectors were counted. */
  async function read(key: string, value: string, source: SourceId, of?: number): Promise<void> {
    await attempt(async () => {
      kept.value = await post(store.drive!.id, 'readings', { key, value, source, ...(of ? { of } : {}) })
      store.take(kept.value)
    })
  }
  async function answer(check: string, value: string, of?: number): Promise<void> {
    const { kind, source } = findCheck(check)!
    sending.value = true
    try {
      if (kind === 'finding') {
        kept.value = null
        await pick(value)
      } else await read(check, value, TYPED.has(source) ? source : 'hand', of)
    } finally {
      sending.value = false
    }
  }
  const complain = (id: string) => read(`complaint.${id}`, 'seen', 'said')
  const settle = (id: string, state: 'seen' | 'now and then' | 'cured' | 'not seen') =>
    read(`complaint.${id}`, state, 'hand')
  return { answer, read, complain, settle, kept, sending }
}
