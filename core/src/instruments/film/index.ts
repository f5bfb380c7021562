export { filmSpeed, type FilmAsk, type FilmOf } from './film-speed'
export { frameRate, MOST_FRAMES, readFrames, writeFrames, type FrameRate, type Frames } from './frames'
export { findGlow, type Glow, type GlowSeen, type Grey } from './glow'
export { judgeGlow, type JudgedGlow } from './judge-glow'
