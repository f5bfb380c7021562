import { v4 as uuid } from 'uuid'
import type { BeltInput, BeltShelfView, KeptBelt } from '../../shared/belts'

/** The belt shelf of the workshop: what is at hand, what the drives want, what is to order. */
export function useBelts() {
  const view = useState<BeltShelfView>('belts', () => ({ belts: [], drives: [], served: [], orders: [] }))
  const load = async () => {
    view.value = await $fetch<BeltShelfView>('/api/belts')
  }
  async function put(belt: BeltInput, id: string = uuid()): Promise<KeptBelt> {
    const before = view.value.belts.find(b => b.id === id)
    const headers = before ? ifMatch(before) : {}
    try {
      return await $fetch<KeptBelt>(`/api/belts/${id}`, { method: 'PUT', retry: 2, body: belt, headers })
    } finally {
      await load()
    }
  }
  const here = computed(() => view.value.belts.filter(b => b.gone === null))
  return { view, here, load, put }
}
