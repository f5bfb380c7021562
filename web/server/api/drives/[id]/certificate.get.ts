import { RUNGS } from '@wobrin/core/proof'
import { certificateDocument } from '../../../services/certificate-pdf'
import { labelDocument } from '../../../services/drive-label'
import { makePdf } from '../../../services/pdf'
import { serviceCalendar } from '../../../services/service-calendar'

/**
 * The certificate as JSON; `?format=pdf` as PDF, `?format=ics` its service dates, `?format=label` a label for the
 * drive.
 */
export default api(async (event, { certificates, fonts }) => {
  const certificate = certificates.of(param(event, 'id'), new Date().toISOString())
  const { tag } = certificate.drive
  const { format, download } = getQuery(event)
  const address = `${getRequestURL(event).origin}/drives/${param(event, 'id')}`
  const send = (type: string, name: string, inline = false) => {
    setResponseHeader(event, 'content-type', type)
    setResponseHeader(event, 'content-disposition', `${inline ? 'inline' : 'attachment'}; filename="${name}"`)
  }
  switch (format) {
    case 'pdf':
      send('application/pdf', `${tag}-certificate.pdf`, true)
      return makePdf(certificateDocument(certificate), fonts)
    case 'label':
      send('application/pdf', `${tag}-label.pdf`, true)
      return makePdf(
        labelDocument(
          certificate,
          certificate.claim ? RUNGS[certificate.claim].title : 'Nothing verified yet',
          address,
        ),
        fonts,
      )
    case 'ics':
      send('text/calendar; charset=utf-8', `${tag}-service.ics`)
      return serviceCalendar(certificate, address)
  }
  if (download !== undefined) send('application/json', `${tag}-certificate.json`)
  return certificate
})
