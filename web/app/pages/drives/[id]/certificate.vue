<script setup lang="ts">
import { Archive, ArrowLeft, Braces, CalendarDays, FileDown, Printer, Tag } from 'lucide-vue-next'
import { OUTCOMES } from '@wobrin/core/log'
import { RUNGS } from '@wobrin/core/proof'
import type { Certificate, CertificateMeasurement } from '@wobrin/core/release'

// A long log makes a long document: what is below is drawn after what is seen first.
const { all } = useTurns()
const route = useRoute('drives-id-certificate')
const { data: certificate, error, refresh } = await useFetch<Certificate>(`/api/drives/${route.params.id}/certificate`)
useHead({ title: () => `Certificate ${certificate.value?.drive.tag ?? ''} · Wobrin` })

const STATES: Readonly<Record<Certificate['state'], string>> = {
  draft: 'Draft: not released',
  ...OUTCOMES,
}
const speeds = computed<[string, CertificateMeasurement | null][]>(() =>
  certificate.value
    ? [
        ['as found', certificate.value.asFound.speed],
        ['as left', certificate.value.asLeft.speed],
      ]
    : [],
)
const workshop = useWorkshop()
const notices = useNotices()
const name = ref('')
/** A certificate carries the workshop’s name: it is asked for where it is first needed. */
async function nameWorkshop(): Promise<void> {
  await workshop
    .save({ ...workshop.settings, name: name.value.trim() })
    .then(() => refresh())
    .catch(error_ => notices.problem(problemText(error_)))
}
const print = () => all.then(() => window.print())
</script>

<template>
  <div v-if="error" class="panel p-6" role="alert">{{ problemText(error) }}</div>
  <div v-else-if="certificate" class="max-w-[860px] mx-auto">
    <div class="flex flex-wrap gap-3 mb-4 no-print">
      <NuxtLink class="btn" :to="`/drives/${route.params.id}?station=release`"
        ><ArrowLeft class="size-4" />The drive</NuxtLink
      >
      <button class="btn btn-primary ml-auto" @click="print"><Printer class="size-4" />Print</button>
      <a class="btn" :href="`/api/drives/${route.params.id}/certificate?format=pdf`" target="_blank"
        ><FileDown class="size-4" />PDF</a
      >
      <a class="btn" :href="`/api/drives/${route.params.id}/certificate?download`"><Braces class="size-4" />JSON</a>
      <a class="btn" :href="`/api/drives/${route.params.id}/certificate?format=label`" target="_blank"
        ><Tag class="size-4" />Label</a
      >
      <a class="btn" :href="`/api/drives/${route.params.id}/archive`"><Archive class="size-4" />Archive</a>
      <a
        v-if="certificate.nextService.length"
        class="btn"
        :href="`/api/drives/${route.params.id}/certificate?format=ics`"
        ><CalendarDays class="size-4" />Calendar</a
      >
    </div>
    <form
      v-if="!certificate.workshop"
      class="panel p-4 mb-4 flex flex-wrap items-end gap-3 no-print"
      @submit.prevent="nameWorkshop"
    >
      <FormField v-slot="{ id }" label="Name of your workshop" hint="It stands on every certificate." class="grow"
        ><input :id="id" v-model="name" class="field" autocomplete="organization" maxlength="120"
      /></FormField>
      <button class="btn btn-primary mb-6" :disabled="!name.trim()">Save name</button>
    </form>
    <article class="panel px-8 sm:px-12 py-10 space-y-7 print:border-0 print:p-0">
      <header>
        <p class="flex justify-between hint">
          <span>{{ certificate.workshop || 'Workshop without a name' }}</span><span>{{
            longTime(certificate.issuedAt)
          }}</span>
        </p>
        <h1 class="text-3xl font-bold mt-4 flex items-center gap-4">Drive {{ certificate.drive.tag }}</h1>
        <p class="text-lg text-muted">
          {{
            [certificate.drive.mechanism, `${certificate.drive.maker} ${certificate.drive.model}`.trim()]
              .filter(Boolean)
              .join(' · ')
          }}
        </p>
        <p v-if="certificate.drive.simulated" class="mt-3 border-l-5 border-muted bg-tint px-4 py-3">
          <strong>A simulated drive.</strong> Nothing in here says anything of a real one.
        </p>
        <p class="mt-3">
          <strong>{{ STATES[certificate.state] }}.</strong> {{ certificate.remark }}
        </p>
        <p class="hint mt-1">
          Received {{ longTime(certificate.drive.receivedAt)
          }}<template v-if="certificate.asFound.ownerWords">: “{{ certificate.asFound.ownerWords }}”</template>
          <template v-if="certificate.machine.inPlaceOf">
            · in the place of {{ certificate.machine.inPlaceOf.tag }} since
            {{ longTime(certificate.machine.inPlaceOf.at) }}</template
          >
          <template v-if="certificate.machine.replacedBy">
            · out of its machine since {{ longTime(certificate.machine.replacedBy.at) }}:
            {{ certificate.machine.replacedBy.tag }} has its place</template
          >
          <template v-if="certificate.drive.host"> · for {{ certificate.drive.host }}</template
          ><template v-if="certificate.drive.serial"> · serial {{ certificate.drive.serial }}</template>
        </p>
      </header>
      <p v-if="certificate.claim" class="border-l-5 border-leave bg-leave-tint px-4 py-3">
        <strong>{{ RUNGS[certificate.claim].title }}</strong>,
        {{ certificate.closedUp ? 'tested again with covers on' : 'tested with covers off only' }}.
        <span class="text-muted">{{ RUNGS[certificate.claim].hides }}</span>
      </p>
      <ul v-if="certificate.cautions.length" class="border-l-5 border-stop bg-stop-tint px-4 py-3 space-y-1">
        <li v-for="c in certificate.cautions" :key="c">{{ c }}</li>
      </ul>
      <section v-if="certificate.overrides.length">
        <h2 class="font-bold mb-2">Safety gates overridden</h2>
        <div
          v-for="o in certificate.overrides"
          :key="o.at"
          class="border-l-5 border-nudge bg-nudge-tint px-4 py-3 mb-2"
        >
          <p>
            <strong>{{ o.gate }}:</strong> {{ o.reason }}
          </p>
          <p class="hint text-sm">{{ longTime(o.at) }}. Not so at that time: {{ o.missing.join('; ') }}.</p>
        </div>
      </section>
      <section v-if="certificate.complaints.length">
        <h2 class="font-bold mb-2">Complaints</h2>
        <ul class="text-sm">
          <li v-for="c in certificate.complaints" :key="c.id" class="border-b border-line py-1.5">
            <strong>{{ c.what }}</strong><span class="hint block">{{ c.says }}</span>
          </li>
        </ul>
      </section>
      <section v-if="certificate.found.length">
        <h2 class="font-bold mb-2">Faults not corrected</h2>
        <ul class="text-sm">
          <li v-for="f in certificate.found" :key="f.at + f.what" class="flex gap-2.5 border-b border-line py-1.5">
            <CallMark :kind="f.call" :size="15" class="mt-0.5" /><span
              >{{ f.what }}<span class="hint block">{{ f.means }}</span></span
            >
          </li>
        </ul>
      </section>
      <section>
        <h2 class="font-bold mb-2">Spindle speed</h2>
        <dl class="grid sm:grid-cols-2 gap-4">
          <div v-for="[label, m] in speeds" :key="label" class="rounded-box bg-tint p-4">
            <dt class="hint">{{ label }}</dt>
            <dd v-if="m" class="text-xl font-bold">
              {{ m.value
              }}<span class="flex items-center gap-2 text-sm font-normal mt-1"
                ><CallMark :kind="m.call" :size="15" decorative />{{ m.callLabel }} · {{ shortTime(m.at) }} ·
                <SourceTag :evidence="{ source: m.source, by: m.by, recording: m.evidence }"
              /></span>
            </dd>
            <dd v-else class="text-muted">not measured</dd>
          </div>
        </dl>
      </section>
      <div class="grid sm:grid-cols-2 gap-6">
        <section>
          <h2 class="font-bold mb-2">What was shown</h2>
          <ul class="list-disc pl-5 space-y-1.5 text-sm">
            <li v-for="s in certificate.shown" :key="s">{{ s }}</li>
          </ul>
          <p v-if="!certificate.shown.length" class="hint">Nothing yet.</p>
        </section>
        <section>
          <h2 class="font-bold mb-2">What was not shown</h2>
          <ul class="list-disc pl-5 space-y-1.5 text-sm">
            <li v-for="s in certificate.notShown" :key="s">{{ s }}</li>
          </ul>
        </section>
      </div>
      <section v-if="certificate.referenceDisks.length">
        <h2 class="font-bold mb-2">Disks that it was judged by</h2>
        <ul class="text-sm">
          <li v-for="d in certificate.referenceDisks" :key="d.name" class="border-b border-line py-1.5">
            <strong>{{ d.name }}</strong>, {{ d.trusted ? 'reference disk' : 'not verified' }}, read
            {{ shortTime(d.readAt) }}<span v-for="l in d.chain" :key="l" class="hint block">{{ l }}</span>
          </li>
        </ul>
      </section>
      <section v-if="certificate.parts.length">
        <h2 class="font-bold mb-2">Parts</h2>
        <ul class="text-sm">
          <li
            v-for="p in certificate.parts"
            :key="p.at + p.what"
            class="grid grid-cols-[4.5rem_1fr] gap-2 border-b border-line py-1.5"
          >
            <span class="hint">{{ shortTime(p.at) }}</span><span>{{ p.what }}</span>
          </li>
        </ul>
      </section>
      <section>
        <h2 class="font-bold mb-2">Measurements</h2>
        <table v-if="certificate.measurements.length" class="w-full text-sm">
          <thead class="sr-only">
            <tr>
              <th>When</th>
              <th>Value</th>
              <th>Call</th>
              <th>How</th>
            </tr>
          </thead>
          <tbody>
            <InTurn v-for="(part, i) in inParts(certificate.measurements)" :key="i" :at-once="i === 0">
              <tr v-for="m in part" :key="m.at + m.value" class="border-b border-line align-top">
                <td class="py-2 pr-3 hint whitespace-nowrap">{{ shortTime(m.at) }}</td>
                <td class="py-2 pr-4 whitespace-nowrap text-right font-bold">{{ m.value }}</td>
                <td class="py-2 pr-4 whitespace-nowrap">
                  <CallMark :kind="m.call" :size="14" decorative class="inline mr-1.5 align-[-2px]" />{{ m.callLabel }}
                </td>
                <td class="py-2 hint">
                  <span class="text-ink">{{ m.what }}</span>, {{ m.how }}
                  <SourceTag :evidence="{ source: m.source, by: m.by, recording: m.evidence }" class="block" /><span
                    v-if="m.evidence"
                    class="block text-xs"
                    >recording {{ m.evidence.slice(0, 16) }}…</span
                  >
                </td>
              </tr>
            </InTurn>
          </tbody>
        </table>
        <p v-else class="hint">None on record.</p>
      </section>
      <section>
        <h2 class="font-bold mb-2">Work</h2>
        <ol v-if="certificate.work.length" class="text-sm">
          <InTurn v-for="(part, i) in inParts(certificate.work)" :key="i" :at-once="i === 0">
            <li
              v-for="w in part"
              :key="w.at + w.what"
              class="grid grid-cols-[4.5rem_7rem_1fr] gap-2 border-b border-line py-1.5"
            >
              <span class="hint">{{ shortTime(w.at) }}</span><span class="text-muted">{{ w.station }}</span
              ><span
                >{{ w.what }}<span v-if="w.detail" class="hint block">{{ w.detail }}</span></span
              >
            </li>
          </InTurn>
        </ol>
        <p v-else class="hint">None on record.</p>
      </section>
      <section v-if="certificate.nextService.length">
        <h2 class="font-bold mb-2">Next service</h2>
        <ul class="text-sm">
          <li
            v-for="s in certificate.nextService"
            :key="s.id"
            class="grid grid-cols-[6.5rem_1fr] gap-2 border-b border-line py-1.5"
          >
            <span>{{ s.on }}</span><span
              >{{ s.what }}<span class="hint block">{{ s.why }}</span></span
            >
          </li>
        </ul>
      </section>
      <footer class="hint text-xs border-t border-line pt-3 space-y-1">
        <p>
          Made from {{ certificate.logHead.entries }} log entries, the last of them number
          {{ certificate.logHead.seq }}; their seal is {{ certificate.logHead.hash.slice(0, 16) }}.
        </p>
        <p class="break-all">
          Seal of this certificate (SHA-256): {{ certificate.hash }}. The JSON file can be checked at Workshop.
        </p>
      </footer>
    </article>
  </div>
</template>
