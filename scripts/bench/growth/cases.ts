import { statSync, createReadStream } from 'node:fs'
import { planBench } from '@wobrin/core/bench/plan'
import { CHECKS, diagnose, readCase } from '@wobrin/core/diagnosis'
import { speedFromPulses } from '@wobrin/core/instruments/spindle'
import { whoIsToBlame } from '@wobrin/core/proof'
import { readTrack } from '@wobrin/core/signals/codes'
import { readCapture } from '@wobrin/core/signals/captures'
import { Random, SimulatedPickup } from '@wobrin/core/simulator'
import { measure, soundRig } from '@wobrin/core/simulator/rig'
import { blameBench } from '../blame'
import { format, track } from '../bus'
import { evening } from '../plan'

/** A piece of work that is measured at several sizes. */
export interface GrowthCase {
  readonly name: string
  /** What its size counts. */
  readonly unit: string
  readonly sizes: readonly number[]
  /** How it may grow; what is more than n log n is forced by the problem, and says why. */
  readonly allowed: string
  /** Makes what is worked on. @param file a recording of that size, where the case reads one */
  readonly make: (size: number, file: string) => () => unknown
}

/** So many transitions, from as many revolutions of a track as have them. */
const transitions = (count: number): Float64Array => track(1, Math.ceil(count / track(1, 1).length)).subarray(0, count)

/** Answers of a sound drive, one check after the other, and again from the first. */
function answers(count: number) {
  const random = new Random(2)
  const rig = soundRig('3.5in')
  const told = CHECKS.flatMap(c => {
    const answer = measure(rig, c.id, random)
    return answer !== null && c.answers.includes(answer) ? [{ check: c.id, answer }] : []
  })
  return Array.from({ length: count }, (_, i) => told[i % told.length]!)
}

export const CASES: readonly GrowthCase[] = [
  {
    name: 'reader',
    unit: 'MB of VCD',
    sizes: [0.1, 1, 10, 100],
    allowed: 'n',
    make: (_, file) => () =>
      readCapture({ name: 'bus.vcd', size: statSync(file).size, chunks: () => createReadStream(file) }),
  },
  {
    name: 'read engine',
    unit: 'transitions',
    sizes: [1e3, 1e4, 1e5, 1e6],
    allowed: 'n',
    make: size => {
      const times = transitions(size)
      return () => readTrack(times, format)
    },
  },
  {
    name: 'speed',
    unit: 'revolutions',
    sizes: [60, 600, 6_000, 60_000],
    allowed: 'n log n',
    make: size => {
      const pickup = new SimulatedPickup({ seed: 1, rpm: 301, wanderPercent: 0.05 })
      pickup.advanceTo(size / 5)
      const pulses = pickup.pulses()
      return () => speedFromPulses(pulses, {}, { mechanism: '5.25in-48', school: 'leave-alone' })
    },
  },
  {
    name: 'diagnosis',
    unit: 'answers',
    sizes: [1, 10, 100, 1_000],
    allowed: 'n',
    make: size => {
      const c = readCase({ mechanism: '3.5in', complaints: ['not-recognised'], checks: answers(size) })
      return () => diagnose(c)
    },
  },
  {
    name: 'disk or drive',
    unit: 'reads',
    sizes: [6, 60, 600, 6_000],
    allowed: 'as the search for pairs of causes is bounded',
    make: size => {
      const { reads, disks, drives } = blameBench(1, Math.max(1, Math.ceil(size / 48)))
      const some = reads.slice(0, size)
      return () => whoIsToBlame(some, disks, drives)
    },
  },
  {
    name: 'planner',
    unit: 'steps',
    sizes: [3, 30, 300, 3_000],
    allowed: 'n log n for each try; job shop is NP-hard, so their number is limited',
    make: size => {
      const steps = Math.min(size, 10)
      const bench = evening(Math.ceil(size / steps), steps, 1)
      return () => planBench(bench, { tries: 20, nodes: 50 })
    },
  },
]
