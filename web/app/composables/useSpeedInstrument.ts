import { findMechanism, type MechanismId, type Pulleys } from '@wobrin/core/drives'
import type { Evidence } from '@wobrin/core/base/observations'
import type { LogEntry } from '@wobrin/core/log'
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
  readonly from: 'file' | 'live' | 'log'
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
  const tone = useTone(
    () => workshop.settings.tone.volume,
    () => workshop.settings.tone.octaveShare,
  )
  const { sending, cancel: cancelSending, keep: send } = useKeepReading()

  const shown = computed<Shown | null>(() => {
    if (live.running.value) return live.reading.value ? { ...live.reading.value.judged, from: 'live' } : null
    if (file.judged.value) return { ...file.judged.value, from: 'file' }
    const last = logged()
    return last && { ...last, from: 'log' }
  })
  const nowRpm = computed(() => (live.running.value ? (live.reading.value?.nowRpm ?? null) : null))

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
    await file.open(next)
  }

  async function startPickup(): Promise<void> {
    file.close()
    await live.start()
  }

  /** Puts away what was read; the latest logged reading shows again. */
  async function clear(): Promise<void> {
    if (live.running.value) await live.stop()
    file.close()
    movedTurns.value = 0
  }

  /** Files the reading to a drive. @returns the entry, or null where there is nothing to keep */
  async function keep(driveId: string): Promise<LogEntry | null> {
    if (live.running.value) {
      const text = await live.recording()
      if (!text) return null
      const name = `pickup-${findMechanism(setup().mechanism).id}-${new Date().toISOString().slice(0, 19).replace(/[:T]/g, '')}.vcd`
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
    tone,
    sending,
    cancelSending,
    movedTurns,
    openFile,
    startPickup,
    clear,
    keep,
    saveRecording,
  }
}
