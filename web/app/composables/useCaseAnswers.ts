import type { SourceId } from '@wobrin/core/base/observations'
import { findCheck } from '@wobrin/core/diagnosis'

/** Sources that a person can name; what a recording or a calculator would tell is told by hand here. */
const TYPED: ReadonlySet<SourceId> = new Set(['meter', 'probe', 'host', 'hand', 'said'])

/** Putting complaints and answers of checks on the log of the drive at hand; findings by the way that they have. */
export function useCaseAnswers(pick: (finding: string) => Promise<boolean>) {
  const store = useDrive()
  const { post } = useLogPost()
  const attempt = useAttempt()

  /** Puts a reading on the log; `of` are the sectors that were tried, where sectors were counted. */
  async function read(key: string, value: string, source: SourceId, of?: number): Promise<void> {
    await attempt(async () => {
      store.take(await post(store.drive!.id, 'readings', { key, value, source, ...(of ? { of } : {}) }))
    })
  }
  async function answer(check: string, value: string, of?: number): Promise<void> {
    const { kind, source } = findCheck(check)!
    if (kind === 'finding') await pick(value)
    else await read(check, value, TYPED.has(source) ? source : 'hand', of)
  }
  const complain = (id: string) => read(`complaint.${id}`, 'seen', 'said')
  const settle = (id: string, state: 'cured' | 'not seen') => read(`complaint.${id}`, state, 'hand')
  return { answer, complain, settle }
}
