import QRCode from 'qrcode'
import type { PairingOffer } from '../../../shared/network'

/** The code of now, for the machine's own screen alone. */
export default ownApi(async (_event, { pairing }): Promise<PairingOffer> => {
  const offer = pairing.current()
  const url = `${networkAddresses()[0] ?? 'http://127.0.0.1'}/pair?code=${offer.code}`
  return { ...offer, url, picture: await QRCode.toDataURL(url, { margin: 2, width: 220 }) }
})
