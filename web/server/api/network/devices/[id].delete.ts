import { NotFound } from '../../../services/not-found'

/** The device has to be paired anew. */
export default ownApi((event, { pairing }) => {
  if (!pairing.forget(uuidParam(event, 'id'))) throw new NotFound('There is no such device.')
  return { forgotten: true }
})
