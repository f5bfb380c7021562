/**
 * True once the page has been drawn and the browser is idle: what is not seen at first is loaded then.
 * @param components names of components to have ready by then
 */
export function useAfterPaint(...components: string[]) {
  const drawn = ref(false)
  afterFirstPaint(() => {
    drawn.value = true
    void preloadComponents(components)
  })
  return drawn
}
