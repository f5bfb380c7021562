import { buildCertificate } from '@wobrin/core/proving'
import { certificateDocument } from '../../../services/certificate-pdf'
import { makePdf } from '../../../services/pdf'

/** The certificate, as JSON or with `?format=pdf` as PDF. */
export default api(async (event, { drives, disks, workshop, fonts }) => {
  const drive = drives.get(param(event, 'id'))
  const certificate = buildCertificate(drive, drives.log(drive.id), workshop.get().name, new Date().toISOString(), disk => disks.trusts(disk))
  const { format, download } = getQuery(event)
  if (format === 'pdf') {
    setResponseHeader(event, 'content-type', 'application/pdf')
    setResponseHeader(event, 'content-disposition', `inline; filename="${drive.tag}-certificate.pdf"`)
    return makePdf(certificateDocument(certificate), fonts)
  }
  if (download !== undefined) setResponseHeader(event, 'content-disposition', `attachment; filename="${drive.tag}-certificate.json"`)
  return certificate
})
