import { caseOfLog } from '@wobrin/core/diagnosis'
import { sumInputSchema } from '../../../../shared/log-input'
import { calculatorEntry } from '@wobrin/core/bench/entries'

export default api(async (event, { drives }) => {
  const input = await checkedBody(event, sumInputSchema)
  const drive = drives.get(param(event, 'id'))
  const known = () => caseOfLog(drive, drives.log(drive.id))
  return drives.sent(input.id, drive.id) ?? drives.append(calculatorEntry(input, drive, known()))
})
