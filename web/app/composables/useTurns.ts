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
 * @returns a promise that is kept once all of them are drawn
 */
export function useTurns(): { readonly all: Promise<void> } {
  let places = 0
  const drawn = ref(0)
  provide(TURNS, { take: () => ++places, drawn })
  const all = new Promise<void>(resolve => {
    onMounted(() => {
      const next = async (): Promise<void> => {
        if (drawn.value >= places) return resolve()
        drawn.value++
        await nextTick()
        await new Promise(resolve => setTimeout(resolve))
        return next()
      }
      void next()
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
