import { nextTick, reactive, ref } from 'vue'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { DriveFacts, LogEntry } from '../../../core/src/log'
import { whoIsToBlame, type BlameTable } from '../../../core/src/proof'
import { surroundings, type Surroundings } from './auto-imports'

let here: Surroundings
beforeEach(() => {
  here = surroundings()
})

const count = (good: number, expected = 11) => ({ good, expected })
const place = (position: number, lower: number, upper: number) => ({
  position,
  lower: count(lower),
  upper: count(upper),
})

describe('useSweep: positions of an adjuster', () => {
  const begin = async () => {
    const { useSweep } = await import('../../app/composables/useSweep')
    const sweep = useSweep(ref('3.5in'))
    for (const [at, lower, upper] of [
      [-8, 0, 0],
      [-4, 11, 4],
      [0, 11, 11],
      [4, 11, 11],
      [8, 3, 0],
    ] as const)
      sweep.add(place(at, lower, upper), 'host')
    return sweep
  }

  it('estimates as they come, and keeps where each came from', async () => {
    const sweep = await begin()
    expect(sweep.result.value?.common?.centre).toBeGreaterThan(-2)
    expect(sweep.data.value.rows.map(r => r.source)).toEqual(Array.from({ length: 5 }, () => 'host'))
    expect(sweep.amiss.value).toBeNull()
  })
  it('a position that is struck out stays, and no longer counts', async () => {
    const sweep = await begin()
    const before = sweep.result.value!.common!
    const bad = sweep.rows.value.at(-1)!
    sweep.strike(bad.id)
    expect(sweep.rows.value).toHaveLength(5)
    expect(sweep.result.value!.common!.to).not.toBe(before.to)
    sweep.strike(bad.id)
    expect(sweep.result.value!.common).toEqual(before)
  })
  it('a new position takes back where it was set, for it may lie elsewhere now', async () => {
    const sweep = await begin()
    sweep.setTo.value = 2
    sweep.recheck.value = { position: 2, zones: [] }
    sweep.add(place(2, 11, 11), 'host')
    expect([sweep.setTo.value, sweep.recheck.value]).toEqual([null, null])
  })
  it('counts that cannot be are said in a sentence, and nothing is lost', async () => {
    const sweep = await begin()
    sweep.add(place(6, 12, 0), 'host')
    expect(sweep.amiss.value).toMatch(/row 6: lower head read 12 sectors of 11/)
    expect(sweep.rows.value).toHaveLength(6)
  })
  it('a travel that cannot be falls back to the whole scale', async () => {
    const sweep = await begin()
    sweep.setup.from = '5'
    sweep.setup.to = '-5'
    expect(sweep.travel.value).toEqual([-10, 10])
  })
})

describe('useWriteTestForm: only what failed is typed', () => {
  const form = async (mechanism: string) => {
    const { useWriteTestForm } = await import('../../app/composables/useWriteTestForm')
    return useWriteTestForm(() => mechanism as never)
  }
  it('what was written follows from the disk: 80 cylinders of 9 sectors are 720 a side', async () => {
    const f = await form('3.5in')
    Object.assign(f.size, { cylinders: '80', sectors: '9' })
    f.failed['format 0'] = '0'
    f.failed['format 1'] = '3'
    expect(f.result.value.format).toEqual([
      { good: 720, sectors: 720 },
      { good: 717, sectors: 720 },
    ])
    expect(f.result.value.tracks).toBe(160)
  })
  it('an empty field was not tried; the first track counts where both heads were', async () => {
    const f = await form('3.5in')
    Object.assign(f.size, { cylinders: '80', sectors: '9' })
    f.failed['first 0'] = '0'
    expect(f.result.value.first).toBeNull()
    f.failed['first 1'] = '1'
    expect(f.result.value.first).toEqual({ good: 17, sectors: 18 })
    expect(f.result.value.format).toEqual([null, null])
  })
  it('says what cannot be', async () => {
    const f = await form('3.5in')
    Object.assign(f.size, { cylinders: '80', sectors: '9' })
    f.failed['pattern 0'] = '721'
    expect(f.problem.value).toBe('721 of 720 sectors cannot have failed.')
    f.failed['pattern 0'] = 'many'
    expect(f.problem.value).toBe('“many” is not a number of sectors.')
    f.size.cylinders = ''
    f.failed['pattern 0'] = '1'
    expect(f.problem.value).toBe('Say how large the disk is.')
  })
})

describe('useTypedReading: two fields and Enter', () => {
  const speed = async () => {
    const { useTypedReading } = await import('../../app/composables/useTypedReading')
    const { typedNumber } = await import('../../app/composables/useSweep')
    here = surroundings({ typedNumber })
    return useTypedReading(() => ({ mechanism: '3.5in' }), 'speed.mean')
  }
  it('fills in what is usual for the source, and a person can change it', async () => {
    const r = await speed()
    r.typed.value = '301'
    expect(r.usual.value).toBe('1')
    expect(r.judged.value).toMatchObject({ evidence: { source: 'host' }, data: { value: 301, uncertainty: 1 } })
    r.typed.uncertainty = '0,4'
    expect(r.judged.value).toMatchObject({ data: { uncertainty: 0.4 } })
  })
  it('another reading begins again, with the words that it may be', async () => {
    const r = await speed()
    r.typed.value = '301'
    r.typed.key = 'host.boots'
    await nextTick()
    expect(r.typed.value).toBe('at once')
  })
  it('is posted with its source; then the field is free for the next', async () => {
    const r = await speed()
    r.typed.value = '301'
    await r.keep('d1')
    expect(here.posted).toMatchObject([
      { drive: 'd1', what: 'readings', fields: { key: 'speed.mean', value: '301', source: 'host' } },
    ])
    expect(r.typed.value).toBe('')
  })
  it('nonsense is a sentence, not a fault', async () => {
    const r = await speed()
    r.typed.value = 'fast'
    expect(r.judged.value).toMatchObject({ problem: expect.stringContaining('“fast” cannot be') })
  })
})

describe('useLoggedSpeed: the latest speed, recorded or typed', () => {
  const entry = (seq: number, part: Partial<LogEntry>) =>
    ({ id: `e${seq}`, seq, takesBack: null, observations: [], evidence: null, ...part }) as LogEntry
  const call = { kind: 'leave' as const, reasons: ['It is inside.'] as [string], next: 'Leave it.' }
  const recorded = entry(1, {
    call,
    evidence: { source: 'recording', by: 'Speed', recording: 'a' },
    data: { type: 'speed', rpm: 300.2, uncertainty: 0.1, nominalRpm: 300 } as never,
  })
  const typed = entry(2, {
    call,
    evidence: { source: 'host', by: 'the host’s own program', recording: null },
    data: { type: 'reading', key: 'speed.mean', value: 301, uncertainty: 1 } as never,
  })
  const shown = async (log: LogEntry[]) => {
    const { useLoggedSpeed } = await import('../../app/composables/useLoggedSpeed')
    here.server.set('/api/drives/d/speed/e1', { rpm: { mean: 300.2 } })
    const answer = useLoggedSpeed(
      () => ({ id: 'd', mechanism: '3.5in', nominalRpm: null }) as DriveFacts,
      () => log,
    )
    await nextTick()
    await nextTick()
    return answer.value
  }
  it('a recording has its curve, a typed one has none', async () => {
    expect(await shown([recorded])).toMatchObject({ measurement: { rpm: { mean: 300.2 } }, reading: { rpm: 300.2 } })
    expect(await shown([recorded, typed])).toMatchObject({
      measurement: null,
      reading: { rpm: 301, uncertainty: 1, evidence: { source: 'host' } },
      verdict: { nominalRpm: 300 },
    })
  })
  it('one that was taken back is not shown', async () => {
    expect(await shown([typed, entry(3, { takesBack: 'e2' })])).toBeNull()
  })
})

describe('useSum: a calculator as it is typed', () => {
  const wires = async () => (await import('../../app/composables/useSum')).useSum('board')
  it('judges with every stroke and names the field that cannot be', async () => {
    const { useSum } = await import('../../app/composables/useSum')
    const lead = useSum('warm-up', { coldMargin: '60' })
    lead.typed.warmMargin = '58'
    expect(lead.answer.value.result?.call.kind).toBe('leave')
    lead.typed.sectors = '100'
    lead.typed.coldErrors = '200'
    expect(lead.answer.value.problem).toMatchObject({ field: 'coldErrors' })
    lead.clear()
    expect(lead.answer.value.problem).toBeNull()
  })
  it('rows grow as they are filled, and close up when one is taken out', async () => {
    const it = await wires()
    const { list } = it.sum
    if (!list) throw new Error('this calculator has rows')
    const { rowKey } = await import('../../../core/src/calculators/calculator')
    const key = (row: number) => rowKey(list, row, list.fields[0]!.key)
    expect(it.rows.value).toBe(1)
    it.typed[key(0)] = 'a'
    it.typed[key(1)] = 'b'
    expect(it.rows.value).toBe(3)
    it.dropRow(0)
    expect([it.typed[key(0)], it.typed[key(1)]]).toEqual(['b', ''])
  })
})

describe('useCaptureFile: a recording that is read and judged in a worker', () => {
  interface Asked {
    readonly about: string
    answer(value: unknown): void
  }
  /** A worker whose answers are given by the test, in any order. */
  const begin = async () => {
    const asked: Asked[] = []
    const ask = (about: string) => new Promise(answer => asked.push({ about, answer }))
    const stopped: string[] = []
    vi.stubGlobal('useWorker', () => () => ({
      open: (file: { name: string }) => ask(file.name),
      judge: () => ask('judge'),
      stop: () => stopped.push('stop'),
    }))
    const { useCaptureFile } = await import('../../app/composables/useCaptureFile')
    const capture = useCaptureFile(
      () => ({}) as never,
      () => undefined,
    )
    const opened = (name: string) => ({ ok: { fileName: name, channels: [], guess: null } })
    const settle = async () => {
      for (let i = 0; i < 10; i++) await nextTick()
    }
    const read = async (name: string, rpm: number) => {
      const done = capture.open({ name } as File)
      asked.at(-1)!.answer(opened(name))
      await settle()
      asked.at(-1)!.answer({ ok: { rpm } })
      await done
    }
    return { asked, stopped, capture, opened, settle, read }
  }
  it('what is judged while the recording is put away does not bring it back', async () => {
    const { asked, capture, settle, read } = await begin()
    await read('a.vcd', 300)
    expect(capture.judged.value).toEqual({ rpm: 300 })
    // Its entry reached the log: the reading is judged anew, and is put away before the answer is there.
    void capture.judge()
    capture.close()
    asked.at(-1)!.answer({ ok: { rpm: 300 } })
    await settle()
    expect([capture.judged.value, capture.opened.value, capture.file.value]).toEqual([null, null, null])
  })
  it('of two judgements the later asked counts, whichever comes last', async () => {
    const { asked, capture, settle, read } = await begin()
    await read('a.vcd', 300)
    void capture.judge()
    void capture.judge()
    asked.at(-1)!.answer({ ok: { rpm: 302 } })
    await settle()
    asked.at(-2)!.answer({ ok: { rpm: 301 } })
    await settle()
    expect(capture.judged.value).toEqual({ rpm: 302 })
  })
  it('a file that is put away while it is read is stopped, and does not come later', async () => {
    const { asked, stopped, capture, opened, settle } = await begin()
    void capture.open({ name: 'long.vcd' } as File)
    expect(capture.progress.value).toBe(0)
    capture.close()
    expect([stopped, capture.progress.value]).toEqual([['stop'], null])
    asked[0]!.answer(opened('long.vcd'))
    await settle()
    expect([capture.opened.value, asked.length]).toEqual([null, 1])
  })
})

describe('useBlame: disks and drives, cell by cell', () => {
  it('leaves out drives in which nothing was read, and a file stands in for the bench', async () => {
    const { useBlame } = await import('../../app/composables/useBlame')
    const table = {
      disks: [
        { id: 'a', name: 'A', writer: 'r' },
        { id: 'b', name: 'B', writer: null },
      ],
      drives: [
        { id: 'r', name: 'R', heads: 1 },
        { id: 's', name: 'S', heads: 1 },
      ],
      reads: [{ disk: 'a', drive: 'r', head: 0, zone: 'outer', good: 3, sectors: 9, source: 'recording' }],
    } as never
    here.server.set('/api/blame', table)
    // In the page this is done in a worker.
    vi.stubGlobal('useWorker', () => () => ({
      judge: (t: BlameTable) => Promise.resolve(whoIsToBlame(t.reads, t.disks, t.drives)),
    }))
    const blame = useBlame()
    await blame.load()
    expect(blame.answer.value).toMatchObject({ failing: 1, places: 1 })
    expect([blame.drives.value, blame.disks.value]).toEqual([[0], [0]])
    expect(blame.cell(0, 0)).toMatchObject([{ good: 3, sources: ['recording'] }])
    expect(blame.cell(0, 1)).toEqual([])
    expect([blame.writerOf(0), blame.writerOf(1)]).toEqual(['R', 'nobody knows who'])
    await blame.show({ name: 'x.csv', table: { disks: [], drives: [], reads: [] } })
    expect(blame.drives.value).toEqual([])
    expect(blame.answer.value.places).toBe(0)
    await blame.show(null)
    expect(blame.answer.value.places).toBe(1)
  })
})

describe('useScope: a recording of an alignment track', () => {
  it('what is simulated is read back as it was set, and the other side gives its ratio', async () => {
    const { useScope } = await import('../../app/composables/useScope')
    const scope = useScope()
    expect(scope.reading.value).toBeNull()
    await scope.simulate()
    expect(scope.reading.value).toMatchObject({ pattern: 'lobes' })
    await scope.open(
      new File(
        [
          await (
            await import('../../../core/src/simulator')
          ).scopeWav({
            ...(await import('../../../core/src/simulator')).SOUND_ALIGNMENT,
            offsetUm: 0,
          }),
        ],
        'other.wav',
      ),
      'other',
    )
    const { otherFirst, otherSecond } = scope.otherSide.value!
    expect(Number(otherFirst) / Number(otherSecond)).toBeCloseTo(1, 1)
  })
  it('what is no waveform is a sentence, and the one before stays', async () => {
    const { useScope } = await import('../../app/composables/useScope')
    const scope = useScope()
    await scope.simulate()
    await scope.open(new File(['not a wave'], 'notes.txt'))
    expect(scope.amiss.value).toMatch(/notes\.txt/)
    expect(scope.wave.value).not.toBeNull()
  })
})

/** A drive whose log is kept in memory, as the store keeps it. */
async function store(mechanism = '5.25in-48') {
  const { walk, progressOf } = await import('../../../core/src/bench/stations')
  const { driveFacts, entry } = await import('../../../core/test/log')
  const { recordFinding } = await import('../../../core/src/findings')
  const drive = driveFacts({ mechanism: mechanism as never })
  interface Kept {
    readonly drive: DriveFacts
    log: LogEntry[]
    refuse: string
    readonly changed: unknown[]
    readonly way: ReturnType<typeof walk>
    readonly progress: ReturnType<typeof progressOf>
    add(input: { kind: string; step?: string; station?: string; finding?: never }): Promise<LogEntry>
    takeBack(id: string): Promise<void>
    change(part: unknown): Promise<void>
  }
  const state: Kept = reactive<Kept>({
    drive,
    log: [] as LogEntry[],
    refuse: '',
    changed: [] as unknown[],
    get way() {
      return walk(drive, state.log, 0)
    },
    get progress() {
      return progressOf(state.log)
    },
    async add(input: { kind: string; step?: string; station?: string; finding?: never }) {
      if (state.refuse) throw new Error(state.refuse)
      const found = input.finding ? recordFinding(input.finding) : null
      const data = found
        ? { type: 'finding', finding: found.finding.id, place: found.place }
        : input.kind === 'step'
          ? { type: 'step', step: input.step }
          : null
      const kept = entry({ kind: input.kind as never, station: input.station as never, data: data as never })
      state.log = [...state.log, kept]
      return kept
    },
    async takeBack(id: string) {
      state.log = [...state.log, entry({ kind: 'taken-back' as never, takesBack: id })]
    },
    async change(part: unknown) {
      if (state.refuse) throw new Error(state.refuse)
      state.changed.push(part)
    },
  })
  const attempt = async (run: () => Promise<unknown>) =>
    run().then(
      () => true,
      error => {
        here.problems.push((error as Error).message)
        return false
      },
    )
  here = surroundings({
    useDrive: () => state,
    useAttempt: () => attempt,
    useRoute: () => ({ query: {} }),
    useRouter: () => ({ replace: async () => {} }),
    onBeforeUnmount: () => {},
  })
  return state
}

describe('useFindings: a tile, and what follows from it', () => {
  it('keeps what was found last, its consequences and the places that could still be told', async () => {
    const state = await store()
    const { useFindings } = await import('../../app/composables/useFindings')
    const findings = useFindings(() => 'look')
    expect(await findings.pick('belt.goo')).toBe(true)
    expect(findings.last.value).toMatchObject({ question: { id: 'belt' } })
    expect(findings.last.value!.consequences.length).toBeGreaterThan(0)
    expect(state.log).toHaveLength(1)
    await state.takeBack(state.log[0]!.id)
    expect(findings.last.value).toBeNull()
  })
  it('what cannot be sent is said, and the one before stays', async () => {
    const state = await store()
    const { useFindings } = await import('../../app/composables/useFindings')
    const findings = useFindings(() => 'look')
    state.refuse = 'The server does not answer.'
    expect(await findings.pick('belt.goo')).toBe(false)
    expect(findings.problem.value).toBe('The server does not answer.')
    expect(here.problems).toEqual(['The server does not answer.'])
    expect(findings.last.value).toBeNull()
  })
})

describe('useDriveSteps: on and back through the stations', () => {
  const begin = async () => {
    const state = await store()
    const { useDriveSteps } = await import('../../app/composables/useDriveSteps')
    return { state, steps: useDriveSteps() }
  }
  it('ticks a step and takes its tick back', async () => {
    const { state, steps } = await begin()
    const first = steps.here.value.steps.find(s => !s.step.asks?.length)!
    await steps.tick(first)
    const ticked = steps.here.value.steps.find(s => s.step.id === first.step.id)!
    expect(ticked.done).toBe(true)
    await steps.tick(ticked)
    expect(steps.here.value.steps.find(s => s.step.id === first.step.id)!.done).toBe(false)
    expect(state.log).toHaveLength(2)
  })
  it('finishing a station leads to the next; one that is refused stays', async () => {
    const { state, steps } = await begin()
    expect(steps.viewed.value).toBe('receive')
    state.refuse = 'No.'
    await steps.finish()
    expect(steps.viewed.value).toBe('receive')
    state.refuse = ''
    await steps.finish()
    expect(steps.viewed.value).toBe('look')
    steps.back()
    expect(steps.viewed.value).toBe('receive')
  })
})

describe('useAccountForm: numbers that are typed are kept once', () => {
  const begin = async () => {
    const state = await store()
    const { useAccountForm } = await import('../../app/composables/useAccountForm')
    return { state, form: useAccountForm() }
  }
  it('keeps what was typed, a comma being a point and a chance being per cent', async () => {
    const { state, form } = await begin()
    form.text.working = '12,5'
    form.text.chance = '40'
    await form.keep()
    await form.keep()
    expect(state.changed).toMatchObject([{ account: { working: 12.5, chance: 0.4 } }])
  })
  it('a number that cannot be is said and not kept; a refused one can be sent again', async () => {
    const { state, form } = await begin()
    form.text.paid = 'a lot'
    await form.keep()
    expect(form.problem.value).toBe('Paid so far is a number, 0 or more.')
    expect(state.changed).toEqual([])
    form.text.paid = '30'
    state.refuse = 'No.'
    await form.keep()
    state.refuse = ''
    await form.keep()
    expect(state.changed).toHaveLength(1)
  })
})
