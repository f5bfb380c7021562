import { ParameterError } from '@wobrin/core/errors'
import type { EntryData } from '@wobrin/core/observations'
import { entrySchema } from '../../../../shared/log-input'

export default api(async (event, { drives }) => {
  const { step, outcome, ...entry } = await checkedBody(event, entrySchema)
  const driveId = drives.get(param(event, 'id')).id
  if (entry.kind === 'released' && !outcome) throw new ParameterError('the release does not say how', 'released, parts, quarantined or returned', { field: 'outcome' })
  const data: EntryData | null = outcome ? { type: 'release', outcome } : step ? { type: 'step', step } : null
  return drives.append({ ...entry, takesBack: entry.takesBack ?? null, driveId, data, call: null, observations: [] })
})
