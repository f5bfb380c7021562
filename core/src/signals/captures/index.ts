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
export { guessSpindleChannel } from './guess-channel'
export { GrowableDoubles } from './growable'
export { readCapture } from './read-capture'
export { MOST_SAMPLES, readWaveform, type Waveform } from './samples'
export { stretchOf, vcdChunks, writeVcd, type VcdWriteOptions, type WritableChannel } from './vcd-writer'
