import { LAYOUTS, layoutsOf, type MechanismId } from '@wobrin/core/drives'
import type { CountedSectors, WriteTestResult } from '@wobrin/core/log'
import { checksOf, judgeWriteTest } from '@wobrin/core/proof'

/** Rows of the form: what was written, and how many sectors that is. */
export type WrittenRow = 'format' | 'first' | 'last' | 'pattern' | 'overwrite'

const whole = (text: string): number | null => (/^\d+$/.test(text.trim()) ? Number(text) : null)

/** A write test as it is typed: only what failed; how much was written follows from the disk. */
export function useWriteTestForm(mechanism: () => MechanismId) {
  const layout = computed(() => LAYOUTS[layoutsOf(mechanism())[0] ?? ''] ?? null)
  const size = reactive({ cylinders: '', sectors: '', blocks: '' })
  const failed = reactive<Record<string, string>>({})
  const told = reactive<{ blocked: string; allowed: string; homeAfter: string; formatS: string; remark: string }>({
    blocked: '',
    allowed: '',
    homeAfter: '',
    formatS: '',
    remark: '',
  })

  function reset(): void {
    Object.assign(size, {
      cylinders: String(layout.value?.cylinders ?? ''),
      sectors: String(layout.value?.sectorsOf(0) ?? ''),
      blocks: mechanism() === 'quick-disk' ? '10' : '1000',
    })
    for (const key of Object.keys(failed)) failed[key] = ''
    Object.assign(told, { blocked: '', allowed: '', homeAfter: '', formatS: '', remark: '' })
  }
  watch(mechanism, reset, { immediate: true })

  const checks = computed(() => checksOf(mechanism()))
  const heads = computed<readonly (0 | 1)[]>(() => (layout.value?.heads === 2 ? [0, 1] : [0]))
  const rows = computed(() =>
    (['format', 'first', 'last', 'pattern', 'overwrite'] as const).filter(r => checks.value.includes(r)),
  )
  /** Sectors of a row under one head; null while the size of the disk is not typed. */
  const tried = (row: WrittenRow): number | null => {
    if (!layout.value) return whole(size.blocks)
    const [c, s] = [whole(size.cylinders), whole(size.sectors)]
    return c === null || s === null ? null : row === 'first' || row === 'last' ? s : c * s
  }

  const problem = computed(() => {
    for (const row of rows.value) {
      for (const head of heads.value) {
        const text = failed[`${row} ${head}`]?.trim() ?? ''
        if (text === '') continue
        const [n, of] = [whole(text), tried(row)]
        if (of === null || of === 0) return 'Say how large the disk is.'
        if (n === null) return `“${text}” is not a number of sectors.`
        if (n > of) return `${n} of ${of} sectors cannot have failed.`
      }
    }
    return ''
  })

  const result = computed<WriteTestResult>(() => {
    const count = (row: WrittenRow, head: 0 | 1): CountedSectors | null => {
      const [n, of] = [whole(failed[`${row} ${head}`] ?? ''), tried(row)]
      return n === null || of === null || of === 0 || n > of ? null : { good: of - n, sectors: of }
    }
    const both = (row: WrittenRow) => [count(row, 0), heads.value.length === 2 ? count(row, 1) : null] as const
    const together = (row: WrittenRow) => {
      const there = both(row).filter(c => c !== null)
      return there.length === heads.value.length
        ? { good: there.reduce((n, c) => n + c.good, 0), sectors: there.reduce((n, c) => n + c.sectors, 0) }
        : null
    }
    const yes = (text: string) => (text === '' ? null : text === 'yes')
    const seconds = Number(told.formatS.replace(',', '.'))
    return {
      blocked: yes(told.blocked),
      allowed: yes(told.allowed),
      homeAfter: yes(told.homeAfter),
      format: both('format'),
      pattern: both('pattern'),
      overwrite: both('overwrite'),
      first: together('first'),
      last: together('last'),
      tracks: layout.value && whole(size.cylinders) ? whole(size.cylinders)! * heads.value.length : null,
      formatS: told.formatS.trim() && seconds > 0 ? seconds : null,
    }
  })
  const judged = computed(() => judgeWriteTest(mechanism(), result.value))
  return { layout, size, failed, told, heads, rows, checks, tried, problem, result, judged, reset }
}
