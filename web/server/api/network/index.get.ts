import type { NetworkState } from '../../../shared/network'

/** Who can see the workshop. */
export default api((event, { pairing }): NetworkState => {
  const { open, encrypted } = theNetwork()
  return {
    open,
    encrypted,
    own: event.context.own === true,
    addresses: networkAddresses(),
    devices: pairing.list().length,
  }
})
