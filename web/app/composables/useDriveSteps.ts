import { STATION_IDS, type StationId } from '@wobrin/core/log'
import { nextAt, stationOf, type StepState } from '@wobrin/core/bench/stations'

/** Going through a drive's stations and steps: which is looked at, doing one, going on and back. */
export function useDriveSteps() {
  const route = useRoute('drives-id')
  const router = useRouter()
  const store = useDrive()
  const attempt = useAttempt()

  /** The station looked at: changed at once, the address following, so that quick keys act on what is meant. */
  const asked = () => STATION_IDS.find(s => s === route.query.station) ?? store.progress.current
  const viewed = ref<StationId>(asked())
  const chosen = ref<string | null>((route.query.step as string) ?? null)
  watch(
    () => route.query.station,
    () => {
      viewed.value = asked()
    },
  )
  watch(
    () => route.query.step,
    step => {
      if (step) chosen.value = step as string
    },
  )
  const here = computed(() => stationOf(store.way, viewed.value))
  const closed = computed(() => store.progress.outcome !== null)
  const next = computed(() => nextAt(store.way, viewed.value))
  /** The step shown in full: the one that was chosen, else the next. */
  const step = computed<StepState | null>(
    () => here.value.steps.find(s => s.step.id === chosen.value) ?? next.value ?? here.value.steps.at(-1) ?? null,
  )

  function view(id: StationId) {
    viewed.value = id
    chosen.value = null
    return router.replace({ query: { station: id } })
  }
  const choose = (id: string | null) => {
    chosen.value = id
  }

  /** Ticks a step, or takes its tick back. What was done by a finding is undone by taking that back. */
  async function tick(state: StepState): Promise<void> {
    if (closed.value || (state.done && !state.ticked)) return
    const done = await attempt(() =>
      state.ticked
        ? store.takeBack(state.ticked.id)
        : store.add({ kind: 'step', station: viewed.value, step: state.step.id }),
    )
    if (done && chosen.value === state.step.id) chosen.value = null
  }

  async function finish(): Promise<void> {
    const at = viewed.value
    const done = await attempt(() => store.add({ kind: 'station', station: at }))
    const following = STATION_IDS[STATION_IDS.indexOf(at) + 1]
    if (done && following) await view(following)
  }

  function forward(): void {
    if (closed.value || viewed.value === 'release') return
    if (step.value && !step.value.done) void tick(step.value)
    else if (next.value) void tick(next.value)
    else if (!here.value.finished) void finish()
    else void view(STATION_IDS[STATION_IDS.indexOf(viewed.value) + 1]!)
  }

  function back(): void {
    const last = [...here.value.steps].reverse().find(s => s.ticked)
    if (last && !closed.value && !here.value.finished) void tick(last)
    else void view(STATION_IDS[Math.max(0, STATION_IDS.indexOf(viewed.value) - 1)]!)
  }

  return { viewed, here, closed, next, step, view, choose, tick, finish, forward, back }
}

export type DriveSteps = ReturnType<typeof useDriveSteps>
