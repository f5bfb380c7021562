import { proxy } from 'comlink'
import { judgeWiggle, LINES, type LineName, type WireMoved } from '@wobrin/core/instruments/interface'
import type { MechanismId } from '@wobrin/core/drives'
import type { Adjuster, HostLine } from '@wobrin/core/simulator'
import type { Call } from '@wobrin/core/base/observations'
import type { LiveState } from '../workers/drive.worker'

/** The simulated drive on the bench, live: its lines, its hands, its seek test, the wiggle test against time. */
export function useSimulatedDrive(worker: ReturnType<typeof useDriveWorker>) {
  const state = shallowRef<LiveState | null>(null)
  const mechanism = ref<MechanismId>('5.25in-48')
  const story = ref('sound')
  const on = ref(false)
  const seeking = ref<number | null>(null)
  const seekCall = shallowRef<Call | null>(null)
  const wire = ref<LineName | null>(null)
  const moved = ref<WireMoved[]>([])
  const readingFromS = ref<number | null>(null)

  const follow = () =>
    worker().run(
      proxy((s: LiveState) => {
        if (on.value) state.value = s
      }),
    )

  async function power(): Promise<void> {
    state.value = await worker().power(mechanism.value, story.value)
    seekCall.value = null
    moved.value = []
    wire.value = null
    readingFromS.value = null
    on.value = true
    await follow()
  }

  async function off(): Promise<void> {
    on.value = false
    await worker().rest()
  }

  const set = (line: Exclude<HostLine, 'step'>, low: boolean) => worker().set(line, low)
  const step = (inward: boolean) => worker().step(inward)
  const nudge = (adjuster: Adjuster, by: number) => worker().nudge(adjuster, by)

  /** Begins or ends moving a wire. */
  async function wiggle(next: LineName | null): Promise<void> {
    const now = state.value?.timeS ?? 0
    if (wire.value) moved.value = moved.value.map((m, i) => (i === moved.value.length - 1 ? { ...m, toS: now } : m))
    wire.value = next
    if (next) moved.value = [...moved.value, { wire: LINES[next].label, fromS: now, toS: Infinity }]
    await worker().wiggle(next)
  }

  // Reading begins once a track has been read with the drive ready: errors before that are no errors.
  watch(state, s => {
    if (s?.reading && readingFromS.value === null) readingFromS.value = s.timeS
  })
  const wiggled = computed(() => {
    const s = state.value
    if (!s || readingFromS.value === null) return null
    const from = Math.max(readingFromS.value, s.timeS - 60)
    const spans = moved.value
      .map(m => ({ ...m, fromS: Math.max(from, m.fromS), toS: Math.min(m.toS, s.timeS) }))
      .filter(m => m.toS > m.fromS)
    return {
      ...judgeWiggle(
        s.errors.filter(t => t >= from),
        spans,
        s.timeS - from,
      ),
      errors: s.errors.filter(t => t >= from),
      spans,
      fromS: from,
      toS: s.timeS,
    }
  })

  async function seekTest(): Promise<void> {
    seeking.value = 0
    await worker().rest()
    const answer = await worker().seekTest(
      40,
      proxy((share: number) => {
        seeking.value = share
      }),
    )
    seeking.value = null
    if ('ok' in answer) seekCall.value = answer.ok.call
    await follow()
  }

  async function recording(): Promise<void> {
    const blob = await worker().recording()
    if (blob) saveBlob('simulated-drive.vcd', blob)
  }

  return {
    state,
    mechanism,
    story,
    on,
    seeking,
    seekCall,
    wire,
    wiggled,
    power,
    off,
    set,
    step,
    nudge,
    wiggle,
    seekTest,
    recording,
    disk: (there: boolean) => worker().disk(there),
    tab: (p: boolean) => worker().tab(p),
    stop: () => worker().stop(),
    rest: () => worker().rest(),
    follow,
  }
}
