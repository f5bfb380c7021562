import { usePreferredDark } from '@vueuse/core'

/** Puts the chosen theme on the page; `system` follows the machine. */
export function useTheme(theme: () => 'day' | 'dim' | 'system'): void {
  const dark = usePreferredDark()
  watchEffect(() => {
    const dim = theme() === 'dim' || (theme() === 'system' && dark.value)
    document.documentElement.dataset.theme = dim ? 'dim' : 'day'
  })
}
