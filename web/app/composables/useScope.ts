import { readScope, type Pattern, type ScopeReading } from '@wobrin/core/instruments/alignment'
import { readWaveform, type Waveform } from '@wobrin/core/signals/captures'
import { scopeWav, SOUND_ALIGNMENT } from '@wobrin/core/simulator'

/** A scope capture of an alignment track: opened or simulated, its pattern found in it. */
export function useScope() {
  const pattern = ref<Pattern>('lobes')
  const wave = shallowRef<Waveform | null>(null)
  const other = shallowRef<Waveform | null>(null)
  const problem = ref<string | null>(null)
  const simulated = reactive({ offsetUm: 60, azimuthMin: 6, indexUs: 350, noise: 2 })

  const read = (w: Waveform): { readonly reading: ScopeReading } | { readonly problem: string } => {
    try {
      return { reading: readScope(w, pattern.value) }
    } catch (error) {
      return { problem: (error as Error).message }
    }
  }
  const answer = computed(() => (wave.value ? read(wave.value) : null))
  const reading = computed(() => (answer.value && 'reading' in answer.value ? answer.value.reading : null))
  const amiss = computed(
    () => problem.value ?? (answer.value && 'problem' in answer.value ? answer.value.problem : null),
  )
  /** Both lobes when the track was approached from the other side. */
  const otherSide = computed(() => {
    const r = other.value ? read(other.value) : null
    if (!r || !('reading' in r) || r.reading.pattern !== 'lobes') return null
    const { first, second } = r.reading.values
    return first && second ? { otherFirst: first, otherSecond: second } : null
  })

  async function open(file: File, side: 'this' | 'other' = 'this'): Promise<void> {
    try {
      const next = readWaveform(new Uint8Array(await file.arrayBuffer()), file.name)
      problem.value = null
      if (side === 'this') {
        wave.value = next
        other.value = null
      } else other.value = next
    } catch (error) {
      problem.value = (error as Error).message
    }
  }
  const simulate = () =>
    open(
      new File(
        [scopeWav({ ...SOUND_ALIGNMENT, pattern: pattern.value, ...simulated, noise: simulated.noise / 100 })],
        'simulated-scope.wav',
      ),
    )
  const save = () =>
    saveBlob(
      'simulated-scope.wav',
      new Blob([scopeWav({ ...SOUND_ALIGNMENT, pattern: pattern.value, ...simulated, noise: simulated.noise / 100 })], {
        type: 'audio/wav',
      }),
    )

  return { pattern, wave, other, reading, amiss, otherSide, simulated, open, simulate, save }
}
