import { NotFound } from '../../../services/not-found'

export default api((event, { spares }) => {
  const spare = spares.find(uuidParam(event, 'id'))
  if (!spare) throw new NotFound('There is no such part on the shelf.')
  return spare
})
