import { partUseSchema } from '../../../../shared/parts'

export default api(async (event, { donors }) => donors.use(param(event, 'id'), await checkedBody(event, partUseSchema)))
