import { ParameterError } from '@wobrin/core/base/errors'
import { strobeDiscSvg } from '@wobrin/core/instruments/spindle'
import { ringsSchema } from '../../shared/log-input'
import { makePdf } from '../services/pdf'

const POINTS_PER_MM = 72 / 25.4

function rings(text: unknown): { rpm: number; mainsHz: number }[] {
  const parsed = String(text ?? '')
    .split(',')
    .map(part => part.split('@').map(Number))
    .map(([rpm, mainsHz]) => ({ rpm: rpm!, mainsHz: mainsHz! }))
  if (!ringsSchema.isValidSync(parsed))
    throw new ParameterError(`rings "${String(text)}"`, 'such as 300@50,300@60', { field: 'rings' })
  return parsed
}

/** A strobe disc to print at its true size: `?rings=300@50,300@60&diameter=100&hole=28&format=pdf|svg`. */
export default api(async (event, { fonts }) => {
  const query = getQuery(event)
  const svg = strobeDiscSvg({
    diameterMm: Number(query.diameter ?? 100),
    holeMm: Number(query.hole ?? 28),
    rings: rings(query.rings),
  })
  if (query.format !== 'pdf') {
    setResponseHeader(event, 'content-type', 'image/svg+xml')
    setResponseHeader(event, 'content-security-policy', "default-src 'none'; style-src 'unsafe-inline'")
    return svg
  }
  const width = Number(/ width="([\d.]+)mm"/.exec(svg)![1])
  setResponseHeader(event, 'content-type', 'application/pdf')
  setResponseHeader(event, 'content-disposition', 'inline; filename="strobe-disc.pdf"')
  return makePdf(
    {
      info: { title: 'Strobe disc', creator: 'Wobrin' },
      pageSize: width > 190 ? 'A3' : 'A4',
      pageMargins: 28,
      content: [{ svg, width: width * POINTS_PER_MM, alignment: 'center' }],
    },
    fonts,
  )
})
