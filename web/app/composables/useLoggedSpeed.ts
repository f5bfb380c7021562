import type { LogEntry, DriveFacts } from '@wobrin/core/log'
import { speedEntries, type SpeedMeasurement } from '@wobrin/core/instruments/spindle'
import { findMechanism, speedBands } from '@wobrin/core/drives'
import type { Shown } from './useSpeedInstrument'

/** The latest speed on a drive's log: its call as it was given, its curve read again from the kept recording. */
export function useLoggedSpeed(drive: () => DriveFacts | null, log: () => readonly LogEntry[]) {
  const measurement = shallowRef<SpeedMeasurement | null>(null)
  const last = computed(() => speedEntries(log()).at(-1) ?? null)

  watch(
    () => last.value?.entry.id,
    async id => {
      measurement.value = null
      const owner = drive()
      if (!id || !owner) return
      const got = await $fetch<SpeedMeasurement | null>(`/api/drives/${owner.id}/speed/${id}`).catch(() => null)
      if (last.value?.entry.id === id) measurement.value = got
    },
    { immediate: true },
  )

  return computed<Omit<Shown, 'from'> | null>(() => {
    const owner = drive()
    const at = last.value
    if (!owner || !at?.entry.call) return null
    const bands = speedBands(findMechanism(owner.mechanism), at.data.nominalRpm)
    return { measurement: measurement.value, verdict: { ...at.entry.call, nominalRpm: at.data.nominalRpm, ...bands } }
  })
}
