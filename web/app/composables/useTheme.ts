import { usePreferredDark } from '@vueuse/core'

/** The theme now on the page: what draws on a canvas must draw anew when it changes. */
export const useAppliedTheme = () => useState<'day' | 'dim'>('applied-theme', () => 'day')

/** Puts the chosen theme on the page; `system` follows the machine. */
export function useTheme(theme: () => 'day' | 'dim' | 'system'): void {
  const dark = usePreferredDark()
  const applied = useAppliedTheme()
  watchEffect(() => {
    const dim = theme() === 'dim' || (theme() === 'system' && dark.value)
    document.documentElement.dataset.theme = dim ? 'dim' : 'day'
    applied.value = dim ? 'dim' : 'day'
  })
}
