import type { WorkshopSettings } from '../../shared/workshop'
import { defaultWorkshop } from '../../shared/workshop-defaults'

/** The workshop's settings, loaded once and saved whole. */
export const useWorkshop = defineStore('workshop', () => {
  const settings = ref<WorkshopSettings>(defaultWorkshop())

  async function load(): Promise<void> {
    try {
      settings.value = await $fetch<WorkshopSettings>('/api/workshop')
    } catch (error) {
      useNotices().problem(problemText(error))
    }
  }

  async function save(next: WorkshopSettings): Promise<void> {
    settings.value = await $fetch<WorkshopSettings>('/api/workshop', { method: 'PUT', body: next })
  }

  return { settings, load, save }
})
