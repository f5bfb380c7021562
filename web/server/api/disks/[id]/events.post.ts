import { diskEventSchema } from '../../../../shared/disks'

export default api(async (event, { disks }) => {
  disks.say(uuidParam(event, 'id'), await checkedBody(event, diskEventSchema))
  return disks.view()
})
