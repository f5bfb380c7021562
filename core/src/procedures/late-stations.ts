import type { StationId } from '../observations'
import type { Station } from './station'

type Late = Extract<StationId, 'first-power' | 'speed' | 'align' | 'prove' | 'release'>

/** Stations from first power on. */
export const lateStations: Readonly<Record<Late, Station>> = {
  'first-power': {
    id: 'first-power', label: 'First power', purpose: 'Power for the first time, ready to take it off again.',
    steps: [
      { id: 'first-power.bare', title: 'Power it without a disk', why: 'Current-limited if possible; watch and smell; lights, spin-up, homing.' },
      { id: 'first-power.sacrifice', title: 'Load a sacrificial disk', why: 'Prove load and eject with a disk that may be lost, never a good one.' },
    ],
    mind: ['Hand on the switch: smoke or a hot part means off at once.', 'Keep sleeves and hair off the flywheel.'],
  },
  'speed': {
    id: 'speed', label: 'Speed', purpose: 'Is the spindle’s speed right and steady?',
    steps: [
      { id: 'speed.warm', title: 'Warm up two minutes, disk in', why: 'A cold motor creeps, and a disk loads the spindle as it will be loaded.' },
      { id: 'speed.capture', title: 'Measure thirty turns or more', why: 'From the index line with a logic analyser, or any pickup into a sound card.' },
      { id: 'speed.trim', title: 'Trim only if the call says so', why: 'Plastic screwdriver, tiny moves, no weight on it: some trimmers break loose from the board.' },
      { id: 'speed.again', title: 'Measure again after five minutes', why: 'Warm, closed up as far as it goes, with the same disk.' },
      { id: 'speed.seal', title: 'Seal the trimmer', why: 'A drop of lacquer shows the next person that it was set, not guessed.' },
    ],
    mind: ['Keep sleeves and hair off the flywheel.', 'No oil near the belt.', 'A metal blade across the board shorts it: plastic only.'],
  },
  'align': {
    id: 'align', label: 'Align', purpose: 'Only if evidence says so.',
    steps: [
      { id: 'align.evidence', title: 'Write down the evidence of misalignment', why: 'Both heads off together: sensor or stepper. One head off: that head.' },
      { id: 'align.one', title: 'Move one adjuster at a time, sensor before heads', why: 'Note where it reads and where it stops; set it in the middle; recheck after tightening.' },
    ],
    mind: ['Sealed and no evidence: leave it.'],
  },
  'prove': {
    id: 'prove', label: 'Prove', purpose: 'What it reads, what it writes, and who else can read that.',
    steps: [
      { id: 'prove.read', title: 'Read a known-good disk, both heads, all cylinders', why: 'Retry once before condemning; suspect the disk too.' },
      { id: 'prove.protect', title: 'Write protect must block and must allow', why: 'A pin lost or a sensor dead ruins a good disk.' },
      { id: 'prove.cross', title: 'Read its writing in a trusted drive', why: 'A fast or misaligned drive happily reads its own.' },
      { id: 'prove.closed', title: 'Test again closed up', why: 'Some fail only once reassembled.' },
    ],
    mind: ['A disk that matters goes in last, never first.'],
  },
  'release': {
    id: 'release', label: 'Release', purpose: 'Say what was shown and what was not.',
    steps: [
      { id: 'release.read', title: 'Read the certificate through', why: 'It says only what the log can prove.' },
      { id: 'release.next', title: 'Note what to do next time', why: 'Belt age, oil, the disk it was proved with.' },
    ],
    mind: [],
  },
}
