import type { NetworkState } from '../../shared/network'

const HERE_ONLY: NetworkState = { open: false, own: true, encrypted: false, addresses: [], devices: 0 }

/** Who can see the workshop; asked once a page load, and again after pairing. */
export function useNetwork() {
  const state = useState<NetworkState>('network', () => HERE_ONLY)
  const load = async () => {
    state.value = await $fetch<NetworkState>('/api/network').catch(() => state.value)
  }
  return { state, load }
}
