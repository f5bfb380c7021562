/**
 * Colours and type of a chart by the theme: a canvas draws with whatever is there, so both are asked for again when
 * they change.
 */
export function useChartLook() {
  const theme = useAppliedTheme()
  const palette = computed(() => {
    // Read anew when the theme changes.
    void theme.value
    const style = getComputedStyle(document.documentElement)
    const get = (name: string) => style.getPropertyValue(name).trim()
    return {
      ink: get('--ink'),
      muted: get('--muted'),
      line: get('--line'),
      leave: get('--leave'),
      band: get('--band-wide'),
    }
  })
  /** Once the page's own font has come, charts are drawn again. */
  const ready = ref(false)
  const loaded = () => {
    ready.value = true
  }
  // Without it the system's own font serves.
  document.fonts.load('11px B612').then(loaded, () => {})
  const font = computed(() => ({ family: ready.value ? 'B612' : 'sans-serif', size: 11 }))
  return { palette, font }
}
