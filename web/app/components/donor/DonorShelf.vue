<script setup lang="ts">
import type { Bench } from '../../../shared/bench'
import type { Donor } from '../../../shared/parts'

/** Drives that were given up, and what is still good in them; a part goes onto the log of the drive that gets it. */
const { data: donors, refresh } = await useFetch<Donor[]>('/api/parts', { key: 'donors' })
const { data: bench } = await useFetch<Bench>('/api/bench', { key: 'bench-for-parts' })
const notices = useNotices()
const taking = shallowRef<{ donor: Donor; part: Donor['parts'][number] } | null>(null)
const target = ref('')
const remark = ref('')
const problem = ref('')
const open = computed(() =>
  [
    ...(bench.value?.lines.filter(l => !l.outcome && l.drive.id !== taking.value?.donor.driveId).map(l => l.drive) ??
      []),
  ].sort(
    (a, b) =>
      Number(b.mechanism === taking.value?.donor.mechanism) - Number(a.mechanism === taking.value?.donor.mechanism),
  ),
)
const { post } = useLogPost()
function take(donor: Donor, part: Donor['parts'][number]): void {
  taking.value = { donor, part }
  target.value = ''
  remark.value = ''
  problem.value = ''
}
async function send(): Promise<void> {
  const { donor, part } = taking.value!
  if (!target.value) {
    problem.value = 'Choose the drive that it goes into.'
    return
  }
  await post(target.value, 'parts', { release: donor.release, part: part.id, remark: remark.value }).then(
    async entry => {
      taking.value = null
      notices.done(`${entry.title}.`)
      await refresh()
    },
    error => {
      problem.value = problemText(error)
    },
  )
}
</script>

<template>
  <section class="panel p-5 sm:px-6" aria-labelledby="donors">
    <h2 id="donors" class="text-lg font-bold">Donors</h2>
    <p class="hint mb-3">
      Drives that were stripped for parts, and what is still good in them. Parts from a drive that works are never
      offered.
    </p>
    <article v-for="d in donors" :key="d.release" class="border-t border-line py-3" :aria-label="d.tag">
      <p class="flex flex-wrap gap-x-3 items-baseline">
        <NuxtLink class="font-bold text-lg link" :to="`/drives/${d.driveId}`">{{ d.tag }}</NuxtLink><span
          class="text-muted"
          >{{ d.name }} · {{ shortTime(d.at) }}<template v-if="d.remark"> · {{ d.remark }}</template></span
        >
      </p>
      <ul class="grid md:grid-cols-2 gap-x-8 text-sm mt-1">
        <li v-for="p in d.parts" :key="p.id" class="flex gap-3 items-center border-t border-line py-1">
          <span class="grow"
            ><strong>{{ p.label }}</strong
            ><span class="hint block">{{ p.wentTo ? `went into ${p.wentTo}` : `${p.state}: ${p.says}` }}</span></span
          ><button v-if="!p.wentTo" class="link min-h-11" @click="take(d, p)">Use part…</button>
        </li>
      </ul>
    </article>
    <p v-if="!donors?.length">
      No drive was stripped for parts with anything good left in it.
      <span class="text-muted">At Release, “Strip for parts” lists what the log vouches for.</span>
    </p>
    <ModalDialog
      :shown="taking !== null"
      :title="taking ? `${taking.part.label} of ${taking.donor.tag}` : ''"
      @close="taking = null"
    >
      <form class="space-y-3" novalidate @submit.prevent="send">
        <p class="hint">{{ taking?.part.says }} Look at it before it goes in: new parts arrive broken too.</p>
        <FormField v-slot="{ id }" label="Goes into"
          ><select :id="id" v-model="target" class="field">
            <option value="">choose</option>
            <option v-for="x in open" :key="x.id" :value="x.id">{{ x.tag }}</option>
          </select></FormField
        >
        <FormField v-slot="{ id }" label="Remark"
          ><input :id="id" v-model="remark" class="field" maxlength="300"
        /></FormField>
        <p v-if="problem" class="text-sm text-stop" role="alert">{{ problem }}</p>
        <div class="flex gap-3">
          <button class="btn btn-primary">Save to log</button
          ><button type="button" class="btn" @click="taking = null">Cancel</button>
        </div>
      </form>
    </ModalDialog>
  </section>
</template>
