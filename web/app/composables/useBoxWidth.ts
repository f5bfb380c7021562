import { useResizeObserver } from '@vueuse/core'

/**
 * Width of an element, px, told after the page has laid itself out: asking for it earlier would have all of it laid out
 * once more. Until then it is 0; what is drawn to it keeps its height meanwhile, so that nothing below it moves.
 * @param box without padding
 */
export function useBoxWidth(box: Readonly<Ref<HTMLElement | null>>): Readonly<Ref<number>> {
  const width = ref(0)
  useResizeObserver(box, ([entry]) => {
    width.value = entry!.contentRect.width
  })
  return width
}
