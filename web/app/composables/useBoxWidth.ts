import { useResizeObserver } from '@vueuse/core'

/**
 * Width of an element, px, known before it is painted for the first time: what is drawn to it does not move then. It is
 * told after the page has laid itself out; asking for it earlier would have all of the page laid out once more.
 * @param box without padding
 */
export function useBoxWidth(box: Readonly<Ref<HTMLElement | null>>): Readonly<Ref<number>> {
  const width = ref(0)
  useResizeObserver(box, ([entry]) => {
    width.value = entry!.contentRect.width
  })
  return width
}
