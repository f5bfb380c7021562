import { NotFound } from '../../services/not-found'

/** Where a judgement stands that was asked for under this id: how many are before it, and how far it has come. */
export default api((event, { judging }) => {
  const standing = judging.standing(uuidParam(event, 'id'))
  if (!standing) throw new NotFound('Nothing is being judged under this id.')
  return standing
})
