import { useDebounceFn } from '@vueuse/core'
import { NO_ACCOUNT, type Account } from '@wobrin/core/log'

export const ACCOUNT_FIELDS = [
  { key: 'paid', label: 'Paid so far', hint: 'already spent, not counted' },
  { key: 'parts', label: 'Parts still to buy', hint: '' },
  { key: 'working', label: 'Worth working', hint: '' },
  { key: 'asParts', label: 'Worth as parts', hint: '' },
  { key: 'hours', label: 'Hours so far', hint: 'already spent, not counted' },
  { key: 'hourRate', label: 'Wanted per hour', hint: '0 = unpaid' },
] as const
const ALL = [...ACCOUNT_FIELDS, { key: 'chance', label: 'The chance' }] as const
type Field = (typeof ALL)[number]['key']

const mark = (a: Account) => JSON.stringify([...ALL.map(f => a[f.key]), a.matters])
const numberIn = (key: Field, typed: string): number | null => {
  const t = typed.trim().replace(',', '.')
  if (t === '') return null
  const value = Number(t)
  return Number.isFinite(value) && value >= 0 && (key !== 'chance' || value <= 100)
    ? key === 'chance'
      ? value / 100
      : value
    : Number.NaN
}

/**
 * The account of the drive at hand as it is typed, kept a moment after the last stroke: numbers typed in one go are
 * one entry.
 */
export function useAccountForm() {
  const store = useDrive()
  const attempt = useAttempt()
  const text = reactive(Object.fromEntries(ALL.map(f => [f.key, ''])) as Record<Field, string>)
  const matters = ref(false)

  const wrong = computed(() => ALL.find(f => Number.isNaN(numberIn(f.key, text[f.key]))) ?? null)
  const problem = computed(() =>
    !wrong.value
      ? null
      : wrong.value.key === 'chance'
        ? 'The chance is a number of per cent, 0 to 100.'
        : `${wrong.value.label} is a number, 0 or more.`,
  )
  /** As typed, or as last kept while a number cannot be. */
  const account = computed<Account>(() =>
    wrong.value
      ? (store.drive?.account ?? NO_ACCOUNT)
      : {
          ...(Object.fromEntries(ALL.map(f => [f.key, numberIn(f.key, text[f.key])])) as Record<Field, number | null>),
          matters: matters.value,
        },
  )

  /** What the server has, so that its answer never overwrites what was typed since. */
  let kept: string | null = null
  watch(
    () => store.drive?.account ?? NO_ACCOUNT,
    now => {
      if (kept === null || mark(account.value) === kept) {
        for (const { key } of ALL)
          text[key] = now[key] === null ? '' : String(key === 'chance' ? Math.round(now[key]! * 100) : now[key])
        matters.value = now.matters
      }
      kept = mark(now)
    },
    { immediate: true },
  )

  async function keep(): Promise<void> {
    const now = account.value
    if (wrong.value || mark(now) === kept) return
    const before = kept
    kept = mark(now)
    if (!(await attempt(() => store.change({ account: now })))) kept = before
  }
  onBeforeUnmount(keep)
  return { text, matters, account, problem, keep, later: useDebounceFn(keep, 1200) }
}
