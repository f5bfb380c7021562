import { MECHANISM_IDS, type MechanismId } from '../../drives'
import { Random } from '../random'
import { complaintsOf } from './complain'
import { RIG_FAULTS } from './faults'
import { problemsOf, works } from './mend'
import { soundRig, type Rig } from './parts'

/** A drive with hidden faults, and what its owner says of it. */
export interface Hidden {
  readonly mechanism: MechanismId
  readonly faults: readonly string[]
  readonly complaints: readonly string[]
  readonly rig: Rig
  readonly random: Random
}

/** Draws a drive with so many faults, until somebody would complain of it; each fault must show by itself. */
export function drawDrive(seed: number, faults: 1 | 2): Hidden {
  const random = new Random(seed)
  for (;;) {
    const mechanism = MECHANISM_IDS[Math.floor(random.next() * MECHANISM_IDS.length)]!
    const rig = soundRig(mechanism)
    const able = RIG_FAULTS.filter(f => f.on(rig))
    const chosen = new Set<(typeof able)[number]>()
    while (chosen.size < faults) chosen.add(able[Math.floor(random.next() * able.length)]!)
    const alone = [...chosen].every(f => {
      const trial = soundRig(mechanism)
      f.break(trial.parts, new Random(seed + 1))
      return !works(trial, new Random(seed + 2))
    })
    for (const f of chosen) f.break(rig.parts, new Random(seed + 1))
    const complaints = complaintsOf(problemsOf(rig, random), rig.twoHeads)
    if (alone && complaints.length && new Set([...chosen].map(f => f.id.split(':')[0])).size === faults)
      return { mechanism, faults: [...chosen].map(f => f.id), complaints, rig, random }
  }
}
