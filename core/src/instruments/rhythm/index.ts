export { findRhythm, REACH, type Rhythm, type RhythmOptions } from './find-rhythm'
export { loudnessOf, type Series } from './series'
export { findTones, speedsOfTone, type Tone, type ToneSpeed } from './tones'
