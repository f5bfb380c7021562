import { recordReading } from '@wobrin/core/diagnosis/readings'
import { findMechanism, nominalFor, speedBands } from '@wobrin/core/drives'
import type { SensedSpeed } from '@wobrin/core/instruments/rhythm'
import type { Call } from '@wobrin/core/base/observations'
import type { InstrumentSetup, Shown } from '../composables/useSpeedInstrument'

/** A speed that was heard or filmed as the Speed instrument shows it, judged as the log would judge it. */
export function sensedShown(
  { rpm, uncertainty, says, next }: SensedSpeed,
  { mechanism: id, context }: Pick<InstrumentSetup, 'mechanism' | 'context'>,
  by: 'Sound' | 'Camera',
): Omit<Shown, 'from'> {
  const mechanism = findMechanism(id)
  const nominalRpm = nominalFor(mechanism, rpm ?? mechanism.speed.nominal[0]!.value, context.nominalRpm)
  const bands = { nominalRpm, ...speedBands(mechanism, nominalRpm) }
  const evidence = { source: 'recording', by, recording: null } as const
  const unknown: Call = { kind: 'unknown', reasons: says, next }
  if (rpm === null) return { measurement: null, verdict: { ...unknown, ...bands } }
  const { call } = recordReading(
    { key: 'speed.mean', value: Number(rpm.toFixed(3)), uncertainty, source: 'recording', by },
    {
      mechanism: id,
      nominalRpm: context.nominalRpm ?? null,
      hasTrimmer: context.hasTrimmer ?? null,
      motor: context.motor ?? null,
    },
  )
  return {
    measurement: null,
    verdict: { ...(call ?? unknown), ...bands },
    reading: { rpm, uncertainty, evidence },
  }
}
