import { partBackSchema } from '../../../../shared/parts'

/** A part that this drive lent comes back, or another one takes its place. */
export default api(async (event, { fitting }) =>
  fitting.giveBack(param(event, 'id'), await checkedBody(event, partBackSchema)),
)
