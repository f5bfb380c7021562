import { InputError } from '@wobrin/core/base/errors'
import { READINGS, findReading, recordReading, usualUncertainty, type Reading } from '@wobrin/core/diagnosis/readings'
import type { LogEntry, StationId } from '@wobrin/core/log'
import type { MechanismId } from '@wobrin/core/drives'

/** What a typed reading is judged by where no drive is on file. */
export interface ReadingContext {
  readonly mechanism: MechanismId
  readonly nominalRpm?: number | null
  readonly hasTrimmer?: boolean | null
  readonly motor?: 'ac' | 'dc' | null
}

/** Readings that a person takes at a station; the rest of the vocabulary comes after them. */
export const readingsAt = (station: StationId | null): Reading[] =>
  [...READINGS].sort((a, b) => Number(b.station === station) - Number(a.station === station))

/**
 * A reading as it is typed: what, how much, how, and how surely. Source and uncertainty are filled in with what is
 * usual and can be changed.
 */
export function useTypedReading(context: () => ReadingContext, first: string) {
  const { post } = useLogPost()
  const typed = reactive({ key: first, value: '', of: '9', way: 0, uncertainty: '', moved: 0 })
  const reading = computed(() => findReading(typed.key) ?? READINGS[0]!)
  const way = computed(() => reading.value.ways[typed.way] ?? reading.value.ways[0])
  const usual = computed(() => {
    const value = typedNumber(typed.value)
    const u = Number.isFinite(value) ? usualUncertainty(way.value, value) : null
    return u === null ? '' : String(Number(u.toPrecision(2)))
  })
  watch(
    () => typed.key,
    () => Object.assign(typed, { value: reading.value.words?.[0] ?? '', way: 0, uncertainty: '' }),
  )
  const input = computed(() => {
    const own = typed.uncertainty.trim() ? typedNumber(typed.uncertainty) : null
    return {
      key: typed.key,
      value: reading.value.kind === 'word' ? typed.value : typed.value.trim(),
      ...(reading.value.kind === 'count' ? { of: Number(typed.of) } : {}),
      source: way.value.source,
      by: way.value.by,
      uncertainty: own,
      movedTurns: typed.moved,
    }
  })
  const judged = computed(() => {
    if (!typed.value.trim()) return null
    const { mechanism, nominalRpm = null, hasTrimmer = null, motor = null } = context()
    try {
      return { ...recordReading(input.value, { mechanism, nominalRpm, hasTrimmer, motor }), problem: null }
    } catch (error) {
      if (error instanceof InputError) return { problem: error.message }
      throw error
    }
  })
  async function keep(driveId: string): Promise<LogEntry> {
    const entry = await post(driveId, 'readings', input.value)
    Object.assign(typed, { value: reading.value.words?.[0] ?? '', moved: 0 })
    return entry
  }
  return { typed, reading, way, usual, judged, keep }
}
