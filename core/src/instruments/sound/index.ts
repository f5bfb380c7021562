export { judgeSound, type JudgedSound, type SoundContext } from './judge-sound'
export { APART_S, hearOnsets, type Heard, type Onset } from './onsets'
export { clickRhythm, heardSeeks, type ClickRhythm, type HeardSeek } from './seeks'
