import { lastSpeed, standingEntries, type DriveFacts, type LogEntry } from '@wobrin/core/log'
import type { SpeedMeasurement } from '@wobrin/core/instruments/spindle'
import { findMechanism, nominalFor, speedBands } from '@wobrin/core/drives'
import type { Shown } from './useSpeedInstrument'

/**
 * The latest speed on a drive's log: its call as it was given. The curve of a recording is read again from the file
 * that was kept; a speed that a person typed has none.
 */
export function useLoggedSpeed(drive: () => DriveFacts | null, log: () => readonly LogEntry[]) {
  const measurement = shallowRef<SpeedMeasurement | null>(null)
  const last = computed(() => lastSpeed(standingEntries(log())))

  watch(
    () => last.value?.entry.id,
    async id => {
      measurement.value = null
      const owner = drive()
      if (!id || !owner || last.value?.entry.data?.type !== 'speed') return
      const got = await $fetch<SpeedMeasurement | null>(`/api/drives/${owner.id}/speed/${id}`).catch(() => null)
      if (last.value?.entry.id === id) measurement.value = got
    },
    { immediate: true },
  )

  return computed<Omit<Shown, 'from'> | null>(() => {
    const owner = drive()
    const at = last.value
    if (!owner || !at?.entry.call) return null
    const { entry, rpm, uncertainty } = at
    const mechanism = findMechanism(owner.mechanism)
    const nominalRpm =
      entry.data?.type === 'speed' ? entry.data.nominalRpm : nominalFor(mechanism, rpm, owner.nominalRpm)
    return {
      measurement: measurement.value,
      verdict: { ...at.entry.call, nominalRpm, ...speedBands(mechanism, nominalRpm) },
      reading: { rpm, uncertainty, evidence: entry.evidence },
    }
  })
}
