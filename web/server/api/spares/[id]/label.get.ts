import { NotFound } from '../../../services/not-found'
import { makePdf } from '../../../services/pdf'
import { spareLabel } from '../../../services/parts'

/** A label for the bag or drawer of a part. */
export default api(async (event, { spares, fonts }) => {
  const spare = spares.find(uuidParam(event, 'id'))
  if (!spare) throw new NotFound('There is no such part on the shelf.')
  const address = `${getRequestURL(event).origin}/shelf?q=${encodeURIComponent(spare.name)}`
  setResponseHeader(event, 'content-type', 'application/pdf')
  setResponseHeader(event, 'content-disposition', 'inline; filename="part-label.pdf"')
  return makePdf(spareLabel(spare, address), fonts)
})
