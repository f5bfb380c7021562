import { diskSchema, type DiskInput } from '../../../shared/disks'

export default api(async (event, { disks }) => {
  const id = uuidParam(event, 'id')
  const disk = (await checkedBody(event, diskSchema)) as DiskInput
  const now = disks.find(id)
  checkUnchanged(event, now, now && { ...now, ...disk }, 'the disk')
  return disks.put(id, disk, new Date().toISOString())
})
