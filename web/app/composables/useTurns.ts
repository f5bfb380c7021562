import type { InjectionKey } from 'vue'

interface Turns {
  /** @returns the place of one more part */
  take(): number
  /** Parts up to this place are drawn. */
  readonly drawn: Ref<number>
}

const TURNS: InjectionKey<Turns> = Symbol('turns')

/**
 * Draws the parts of a long page one after the other, the browser free in between, so that no key waits for all of it.
 * Parts that come later are drawn in their turn, too.
 * @returns a promise that is kept once all that were there at first are drawn
 */
export function useTurns(): { readonly all: Promise<void> } {
  let places = 0
  let [mounted, drawing] = [false, false]
  const drawn = ref(0)
  async function draw(): Promise<void> {
    if (drawing) return
    drawing = true
    while (drawn.value < places) {
      drawn.value++
      await nextTick()
      await new Promise(resolve => setTimeout(resolve))
    }
    drawing = false
  }
  provide(TURNS, {
    take: () => {
      places++
      if (mounted) void draw()
      return places
    },
    drawn,
  })
  const all = new Promise<void>(resolve => {
    onMounted(() => {
      mounted = true
      void draw().then(resolve)
    })
  })
  return { all }
}

/** Whether it is this part's turn. */
export function useTurn(): Ref<boolean> {
  const turns = inject(TURNS)!
  const place = turns.take()
  return computed(() => turns.drawn.value >= place)
}
