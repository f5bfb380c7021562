import { expose } from 'comlink'
import type { MechanismId } from '@wobrin/core/drives'
import { SCENARIOS, SimulatedPickup } from '@wobrin/core/simulator'
import {
  measureSpeed,
  NOW_S,
  pulsesFromEdges,
  speedFromPulses,
  speedUncertainty,
  type JudgedSpeed,
  type MeasureOptions,
  type SpeedContext,
  type SpeedMeasurement,
  type TrimmerReading,
} from '@wobrin/core/instruments/spindle'

/** What the pickup says a few times a second. */
export interface LiveReading {
  /** Seconds since the pickup was started. */
  readonly timeS: number
  /** Speed over the last second or so, r/min; null until there are pulses. */
  readonly nowRpm: number | null
  /** Everything since the trimmer was last moved, judged. */
  readonly judged: Omit<JudgedSpeed, 'channel'>
}

const EVERY_MS = 250
/** A recording longer than this begins anew from its tail. */
const LONGEST_S = 120

let pickup: SimulatedPickup | null = null
let timer: ReturnType<typeof setInterval> | null = null
let sinceS = 0
let before: TrimmerReading[] = []
let movedTurns = 0
let latest: SpeedMeasurement | null = null
/** Turns of the spindle that make a reading worth learning from. */
const WORTH_LEARNING = 10

const worker = {
  /** Starts a simulated pickup in real time. */
  start(
    mechanism: MechanismId,
    scenario: string,
    seed: number,
    options: MeasureOptions,
    context: SpeedContext,
    onReading: (r: LiveReading) => void,
  ): void {
    worker.stop()
    const chosen = SCENARIOS.find(s => s.id === scenario) ?? SCENARIOS[0]!
    pickup = new SimulatedPickup(chosen.options(mechanism, seed))
    sinceS = 0
    before = [...(context.readingsBefore ?? [])]
    movedTurns = 0
    latest = null
    const begun = performance.now()
    const own = pickup
    timer = setInterval(() => {
      own.advanceTo((performance.now() - begun) / 1000)
      sinceS = Math.max(sinceS, own.timeS - LONGEST_S)
      const nominalRpm = context.nominalRpm
      const quick = measureSpeed(pulsesFromEdges(own.edges(Math.max(sinceS, own.timeS - NOW_S))), {
        ...options,
        nominalRpm,
      })
      const judged = speedFromPulses(pulsesFromEdges(own.edges(sinceS)), options, {
        ...context,
        readingsBefore: before,
        movedTurns,
      })
      latest = judged.measurement
      onReading({ timeS: own.timeS - sinceS, nowRpm: quick?.rpm.mean ?? null, judged })
    }, EVERY_MS)
  },

  /**
   * Turns the simulated trimmer; what is judged begins anew, and the reading so far teaches how the trimmer answers.
   */
  turnTrimmer(turns: number): void {
    if (latest && latest.revolutions >= WORTH_LEARNING) {
      before = [
        ...before,
        { rpm: latest.rpm.mean, uncertainty: speedUncertainty(latest) ?? latest.rpm.mean * 0.005, movedTurns },
      ]
      movedTurns = turns
    } else movedTurns += turns
    latest = null
    pickup?.turnTrimmer(turns)
    sinceS = (pickup?.timeS ?? 0) + 0.3
  },

  /** The recording since the last move, as a value change dump. */
  recording(): string | null {
    return pickup?.toVcd('Recorded from a simulated pickup.', sinceS) ?? null
  },

  stop(): void {
    if (timer) clearInterval(timer)
    timer = null
  },
}

export type PickupWorker = typeof worker

expose(worker)
