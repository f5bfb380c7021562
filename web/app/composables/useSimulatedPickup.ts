import { proxy, wrap, type Remote } from 'comlink'
import { SIMULATED_PULLEYS } from '@wobrin/core/simulator'
import { findMechanism } from '@wobrin/core/drives'
import type { SpeedContext } from '@wobrin/core/instruments/spindle'
import type { LiveReading, PickupWorker } from '../workers/pickup.worker'

/** The simulated pickup, live: the stand-in for a sensor on a real drive. */
export function useSimulatedPickup(context: () => SpeedContext) {
  const running = ref(false)
  const reading = shallowRef<LiveReading | null>(null)
  const scenario = ref('fast')
  const movedTurns = ref(0)
  let seed = 1
  let worker: Worker | null = null
  let remote: Remote<PickupWorker> | null = null

  async function start(): Promise<void> {
    if (!remote) {
      worker = new Worker(new URL('../workers/pickup.worker.ts', import.meta.url), { type: 'module' })
      remote = wrap<PickupWorker>(worker)
    }
    reading.value = null
    movedTurns.value = 0
    running.value = true
    const c = toRaw(context())
    const belt = findMechanism(c.mechanism).drives[0] === 'belt'
    await remote.start(
      c.mechanism,
      scenario.value,
      seed++,
      { pulleys: belt ? SIMULATED_PULLEYS : undefined },
      c,
      proxy((r: LiveReading) => {
        if (running.value) reading.value = r
      }),
    )
  }

  async function turnTrimmer(turns: number): Promise<void> {
    movedTurns.value += turns
    await remote?.turnTrimmer(turns)
  }

  const recording = async () => (await remote?.recording()) ?? null

  async function stop(): Promise<void> {
    running.value = false
    await remote?.stop()
  }

  onScopeDispose(() => worker?.terminate())

  return { running, reading, scenario, movedTurns, start, turnTrimmer, recording, stop }
}
