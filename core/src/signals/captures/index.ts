export { bytesSource } from './bytes-source'
export type {
  ByteSource,
  Capture,
  CaptureChannel,
  CaptureFormat,
  EdgeList,
  Gap,
  ReadOptions,
  StopSignal,
  TimeUnit,
} from './capture'
export { writeCsv } from './csv-writer'
export { GrowableDoubles } from './growable'
export { skipped } from './skipped'
export { guessSpindleChannel } from './guess-channel'
export { LiveReader } from './live-reader'
export { PulseFinder } from './pulse-finder'
export { gzipProblem } from './gunzip'
export { readCapture } from './read-capture'
export { MOST_SAMPLES, readWaveform, type Waveform } from './samples'
export { writeTransitionsBinary, writeTransitionsText, type Transitions } from './transitions'
export {
  cutStretch,
  vcdChunks,
  vcdOfStretches,
  writeVcd,
  type VcdWriteOptions,
  type WritableChannel,
} from './vcd-writer'
export { ZeroRuns } from './zero-runs'
