<script setup lang="ts">
import { formatDistanceToNow } from 'date-fns'
import type { PairedDevice, PairingOffer } from '../../../shared/network'

/** Other devices at this workshop: how one is paired, and those that are. */
const { state, load } = useNetwork()
const notices = useNotices()
const offer = shallowRef<PairingOffer | null>(null)
const devices = shallowRef<readonly PairedDevice[]>([])

async function refresh(): Promise<void> {
  await load()
  if (!state.value.own) return
  devices.value = await $fetch<PairedDevice[]>('/api/network/devices').catch(() => [])
}
onMounted(refresh)

async function show(): Promise<void> {
  try {
    offer.value = await $fetch<PairingOffer>('/api/network/code')
  } catch (error) {
    notices.problem(problemText(error))
  }
}
async function forget(device: PairedDevice): Promise<void> {
  await $fetch(`/api/network/devices/${device.id}`, { method: 'DELETE' }).catch(error =>
    notices.problem(problemText(error)),
  )
  await refresh()
}
const spaced = (code: string) => code.replace(/(\d{4})(?=\d)/, '$1 ')
</script>

<template>
  <section id="network" class="panel p-6 text-sm" aria-labelledby="network-title">
    <h2 id="network-title" class="font-bold text-base mb-1">Other devices</h2>
    <template v-if="!state.open">
      <p>This server answers to this machine alone.</p>
      <p class="hint mt-1">
        To use a phone at the bench, start it with <code>HOST=0.0.0.0</code>. Each device is then paired by a code that
        this page shows.
      </p>
    </template>
    <template v-else>
      <p>Other devices find it at:</p>
      <ul class="mb-2">
        <li v-for="a in state.addresses" :key="a" class="font-bold break-all">{{ a }}</li>
      </ul>
      <p v-if="!state.encrypted" class="hint mb-2">
        Not encrypted: others in the same network can read along. Live camera and microphone of a phone need TLS; give a
        certificate with <code>WOBRIN_TLS_CERT</code> and <code>WOBRIN_TLS_KEY</code>.
      </p>
      <p v-if="!state.own">Devices are paired and forgotten at the machine that the server runs on.</p>
      <template v-else>
        <div v-if="offer" class="flex flex-wrap gap-4 items-center mb-3" data-testid="pairing">
          <img :src="offer.picture" alt="The address with the code, for a camera" width="150" height="150" />
          <div>
            <p class="text-2xl font-bold tabular-nums" data-testid="pairing-code">{{ spaced(offer.code) }}</p>
            <p class="hint">For one device, until {{ longTime(offer.until) }}.</p>
          </div>
        </div>
        <button class="btn" type="button" @click="show">{{ offer ? 'Show a fresh code' : 'Pair a device…' }}</button>
        <ul v-if="devices.length" class="mt-3" data-testid="devices">
          <li
            v-for="d in devices"
            :key="d.id"
            class="border-t border-line py-1.5 flex flex-wrap items-center justify-between gap-3"
          >
            <span
              ><strong>{{ d.name }}</strong
              ><span class="hint"> seen {{ formatDistanceToNow(new Date(d.seenAt), { addSuffix: true }) }}</span></span
            ><button class="btn" type="button" @click="forget(d)">Forget device</button>
          </li>
        </ul>
      </template>
    </template>
  </section>
</template>
