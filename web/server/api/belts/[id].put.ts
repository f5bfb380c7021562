import { beltSchema, type BeltInput } from '../../../shared/belts'

export default api(async (event, { belts }) => {
  const id = uuidParam(event, 'id')
  const belt = (await checkedBody(event, beltSchema)) as BeltInput
  const now = belts.find(id)
  checkUnchanged(event, now, now && { ...now, ...belt }, 'the belt')
  return belts.put(id, belt, new Date().toISOString())
})
