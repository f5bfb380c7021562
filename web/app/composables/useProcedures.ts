import { PROCEDURES, type Procedure } from '@wobrin/core/bench/procedures'
import type { OwnProcedures } from '../../shared/knowledge'

/** How parts are changed in this workshop: its own procedures where it has some, else the program’s. */
export async function useProcedures() {
  const { data } = await useFetch<OwnProcedures>('/api/procedures', { key: 'procedures', lazy: true })
  return { procedures: computed((): readonly Procedure[] => data.value?.own ?? PROCEDURES) }
}
