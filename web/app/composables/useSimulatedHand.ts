import type { SweepPosition } from '@wobrin/core/instruments/alignment'
import type { ZoneRead } from '@wobrin/core/log'
import type { MechanismId } from '@wobrin/core/drives'
import type { Adjuster } from '@wobrin/core/simulator'
import type { HandWorker } from '../workers/hand.worker'

/** A hand at an adjuster of the simulated drive, for want of one on the bench. */
export function useSimulatedHand() {
  const hand = useWorker<HandWorker>(
    () => new Worker(new URL('../workers/hand.worker.ts', import.meta.url), { type: 'module' }),
  )
  const on = ref(false)
  const busy = ref(false)
  async function during<T>(run: () => Promise<T>): Promise<T> {
    busy.value = true
    try {
      return await run()
    } finally {
      busy.value = false
    }
  }
  const power = (mechanism: MechanismId, story: string, adjuster: Adjuster) =>
    during(async () => {
      const answer = await hand().power(mechanism, story, adjuster)
      on.value = true
      return answer
    })
  const tryAt = (position: number): Promise<SweepPosition> => during(() => hand().try(position))
  const set = (position: number): Promise<void> => during(() => hand().set(position))
  const tighten = (): Promise<{ readonly position: number; readonly zones: readonly ZoneRead[] }> =>
    during(() => hand().tighten())
  return {
    on,
    busy,
    power,
    set,
    tryAt,
    tighten,
    off: () => {
      on.value = false
    },
  }
}
