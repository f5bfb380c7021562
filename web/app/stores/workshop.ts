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

  /** @throws where they cannot be saved; what somebody else saved meanwhile is loaded then, and told */
  async function save(next: WorkshopSettings): Promise<void> {
    const headers = ifMatch(settings.value)
    try {
      settings.value = await $fetch<WorkshopSettings>('/api/workshop', { method: 'PUT', body: next, headers })
    } catch (error) {
      if (changedMeanwhile(error)) await load()
      throw error
    }
  }

  return { settings, load, save }
})
