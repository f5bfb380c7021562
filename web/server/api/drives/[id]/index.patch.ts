import { driveChangeSchema, type NewDrive } from '../../../../shared/drive-facts'

type Change = Partial<NewDrive> & { readonly before?: Partial<NewDrive> }

export default api(async (event, { drives }) => {
  const { before, ...change } = (await checkedBody(event, driveChangeSchema)) as Change
  return drives.change(param(event, 'id'), change, before)
})
