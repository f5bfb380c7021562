import { expose } from 'comlink'
import {
  livePulseSpeed,
  type LivePulseSpeed,
  type MeasureOptions,
  type PulseTrain,
  type SpeedContext,
} from '@wobrin/core/instruments/spindle'

const worker = {
  /** Judges what came so far of a signal. */
  judge: (train: PulseTrain, timeS: number, options: MeasureOptions, context: SpeedContext): LivePulseSpeed =>
    livePulseSpeed(train, timeS, options, context),
}

export type LiveWorker = typeof worker

expose(worker)
