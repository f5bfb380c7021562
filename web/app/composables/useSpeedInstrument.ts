import { findMechanism, type MechanismId, type Pulleys } from '@wobrin/core/drives'
import type { Evidence } from '@wobrin/core/base/observations'
import type { LogEntry } from '@wobrin/core/log'
import type { ListenFor } from '../workers/sound.worker'
import { toneBand, type SpeedContext, type SpeedMeasurement, type SpeedVerdict } from '@wobrin/core/instruments/spindle'

export interface InstrumentSetup {
  readonly mechanism: MechanismId
  readonly context: SpeedContext
  readonly pulleys: Pulleys | undefined
}

/** A speed on a log: r/min, half-width of its 95 % interval, and where it comes from. */
export interface SpeedReading {
  readonly rpm: number
  readonly uncertainty: number | null
  readonly evidence: Evidence | null
}

/** What the instrument shows, wherever it came from. */
export interface Shown {
  readonly measurement: SpeedMeasurement | null
  readonly verdict: SpeedVerdict
  /** The speed as the log has it, with its source; left out for what is read now. */
  readonly reading?: SpeedReading
  readonly from: 'file' | 'live' | 'sound' | 'log'
}

/**
 * The Speed instrument: a file or a live pickup in, a judged reading out, and the way to a drive's log.
 * @param setup what to judge by @param logged the latest reading on the drive's log, shown until there is a newer one
 */
export function useSpeedInstrument(setup: () => InstrumentSetup, logged: () => Omit<Shown, 'from'> | null) {
  const workshop = useWorkshop()
  const movedTurns = ref(0)
  const context = computed<SpeedContext>(() => ({
    ...setup().context,
    movedTurns: live.running.value ? live.movedTurns.value : movedTurns.value,
  }))
  const file = useCaptureFile(
    () => context.value,
    () => setup().pulleys,
  )
  const live = useSimulatedPickup(() => setup().context)
  const listening = reactive({ for: 'marks' as ListenFor, perRevolution: null as number | null })
  const sound = useSoundInput(() => ({
    for: listening.for,
    perRevolution: listening.perRevolution || undefined,
    mechanism: setup().mechanism,
    nominalRpm: setup().context.nominalRpm,
    context: context.value,
    pulleys: toRaw(setup().pulleys),
  }))
  const heard = computed<Omit<Shown, 'from'> | null>(() => {
    const { marks = null, speed = null } = sound.news.value ?? {}
    if (listening.for === 'marks') return marks?.judged ?? null
    return speed && sensedShown(speed, setup(), 'Sound')
  })
  const listens = computed(() => sound.running.value || sound.news.value !== null)
  const tone = useTone(
    () => workshop.settings.tone.volume,
    () => workshop.settings.tone.octaveShare,
  )
  const { sending, cancel: cancelSending, keep: send, keepSensed } = useKeepReading()

  const shown = computed<Shown | null>(() => {
    if (live.running.value) return live.reading.value ? { ...live.reading.value.judged, from: 'live' } : null
    if (listens.value) return heard.value && { ...heard.value, from: 'sound' }
    if (file.judged.value) return { ...file.judged.value, from: 'file' }
    const last = logged()
    return last && { ...last, from: 'log' }
  })
  const nowRpm = computed(() => {
    if (live.running.value) return live.reading.value?.nowRpm ?? null
    return sound.running.value ? (sound.news.value?.marks?.nowRpm ?? null) : null
  })

  watch([context, () => setup().pulleys], () => {
    if (!live.running.value) void file.judge()
  })
  watch([nowRpm, shown, tone.on], () => {
    const verdict = shown.value?.verdict
    if (!verdict) return
    const rpm = shown.value?.measurement?.rpm.mean ?? shown.value?.reading?.rpm ?? null
    tone.follow(nowRpm.value ?? rpm, verdict.nominalRpm, toneBand(verdict))
  })

  async function openFile(next: File): Promise<void> {
    if (live.running.value) await live.stop()
    if (listens.value) await sound.clear()
    await file.open(next)
  }

  async function startSound(): Promise<void> {
    if (live.running.value) await live.stop()
    file.close()
    await sound.start()
  }

  async function startPickup(): Promise<void> {
    if (listens.value) await sound.clear()
    file.close()
    await live.start()
  }

  /** Puts away what was read; the latest logged reading shows again. */
  async function clear(): Promise<void> {
    if (live.running.value) await live.stop()
    if (listens.value) await sound.clear()
    file.close()
    movedTurns.value = 0
  }

  /** Files what is heard now; listening goes on, and what comes next is judged by itself. */
  async function keepSound(driveId: string): Promise<LogEntry | null> {
    const recording = await sound.recording(`sound-${fileTime()}.wav`)
    if (!recording) return null
    const common = { driveId, file: recording, movedTurns: movedTurns.value, simulated: false }
    const entry =
      listening.for === 'marks'
        ? await send({ ...common, choices: noChoices() })
        : await keepSensed({
            ...common,
            fields: { of: listening.for, perRevolution: listening.perRevolution || undefined },
          })
    movedTurns.value = 0
    await (sound.running.value ? sound.anew() : sound.clear())
    return entry
  }

  /** Files the reading to a drive. @returns the entry, or null where there is nothing to keep */
  async function keep(driveId: string): Promise<LogEntry | null> {
    if (listens.value) return keepSound(driveId)
    if (live.running.value) {
      const text = await live.recording()
      if (!text) return null
      const name = `pickup-${findMechanism(setup().mechanism).id}-${fileTime()}.vcd`
      const entry = await send({
        driveId,
        file: new File([text], name),
        choices: noChoices(),
        movedTurns: live.movedTurns.value,
        simulated: true,
      })
      live.movedTurns.value = 0
      return entry
    }
    if (!file.file.value) return null
    const entry = await send({
      driveId,
      file: file.file.value,
      choices: { ...file.choices },
      movedTurns: movedTurns.value,
      simulated: false,
    })
    await clear()
    return entry
  }

  async function saveRecording(): Promise<void> {
    const text = await live.recording()
    if (text) saveText('simulated-pickup.vcd', text)
  }

  return {
    shown,
    nowRpm,
    file,
    live,
    sound,
    listening,
    listens,
    tone,
    sending,
    cancelSending,
    movedTurns,
    openFile,
    startPickup,
    startSound,
    clear,
    keep,
    saveRecording,
  }
}
