import { driveChangeSchema, type NewDrive } from '../../../../shared/drive-facts'

export default api(async (event, { drives }) =>
  drives.change(param(event, 'id'), (await checkedBody(event, driveChangeSchema)) as Partial<NewDrive>),
)
