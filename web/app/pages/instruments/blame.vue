<script setup lang="ts">
import { FileUp } from 'lucide-vue-next'
import { BLAME_CAUSES, readBlameCsv } from '@wobrin/core/proof'

useHead({ title: 'Disk or drive · Wobrin' })
const blame = useBlame()
const { view, file, table, answer } = blame
const problem = ref('')
await blame.load().catch(error => {
  problem.value = problemText(error)
})

const { choose, picked } = useFilePicker(async f => {
  problem.value = ''
  try {
    if (f.size > 20 * 1024 * 1024) throw new Error('The file is too large: at most 20 MB.')
    await blame.show({ name: f.name, table: readBlameCsv(await f.text(), f.name) })
  } catch (error) {
    problem.value = (error as Error).message
  }
})
const family = computed({
  get: () => view.value?.family ?? '',
  set: (f: string) => {
    blame.load(f).catch(error => {
      problem.value = problemText(error)
    })
  },
})
const percent = (p: number) => (p > 0.995 ? '> 99 %' : `${Math.round(p * 100)} %`)
</script>

<template>
  <div class="grid xl:grid-cols-[1fr_22rem] gap-4 items-start">
    <div class="space-y-4 min-w-0">
      <section class="panel p-5 sm:px-6 space-y-5 min-w-0" aria-labelledby="who">
        <div class="flex flex-wrap items-end gap-4 justify-between">
          <div>
            <h1 id="who" class="text-2xl font-bold">Disk or drive?</h1>
            <p class="text-muted">
              A disk that reads here and not there: the disk, a head, a drive, or the drive that wrote it.
            </p>
          </div>
          <label v-if="!file && view && view.families.length > 1" class="text-sm"
            ><span class="field-label">Disks of</span
            ><select v-model="family" class="field w-auto">
              <option v-for="f in view.families" :key="f">{{ f }}</option>
            </select></label
          >
        </div>
        <CallBand :call="answer.call" />
        <p v-if="problem" class="text-sm text-stop" role="alert">{{ problem }}</p>
        <BlameCrossing
          v-if="blame.disks.value.length"
          :table="table"
          :disks="blame.disks.value"
          :drives="blame.drives.value"
          :cell="blame.cell"
          :writer-of="blame.writerOf"
        />
        <template v-else>
          <p class="text-muted">
            No read of a named disk is on any log yet. Put disks on the
            <NuxtLink class="link" to="/shelf?view=disks">Shelf</NuxtLink>, read each in two drives, and type what came.
          </p>
          <BlameExample />
        </template>
        <p v-if="blame.disks.value.length" class="hint">
          Each crossing is a small rail: outer zone left, inner right, upper head above, lower head below; height is the
          share of sectors that read. A ring marks a place that read without error once and not again. The mark beside a
          count is its source.
        </p>
      </section>
      <div class="grid lg:grid-cols-[3fr_2fr] gap-4 items-start">
        <section v-if="!file && view?.disks.length" class="panel p-5" aria-labelledby="add">
          <h2 id="add" class="text-lg font-bold mb-3">A read, counted by hand</h2>
          <BlameReadForm :table="table" @kept="blame.load(family)" />
        </section>
        <section class="panel p-5">
          <h2 class="text-lg font-bold mb-1">From a file</h2>
          <p v-if="file" class="mb-3">
            Shown: <strong>{{ file.name }}</strong>.
            <button class="link" @click="blame.show(null)">Back to the workshop’s own</button>
          </p>
          <p v-else class="hint mb-3">
            CSV with the columns disk, writer, drive, head, zone, good, sectors; nothing of it is kept.
          </p>
          <input
            ref="input"
            type="file"
            accept=".csv,text/csv"
            class="sr-only"
            tabindex="-1"
            aria-label="CSV file"
            data-testid="blame-csv"
            @change="picked"
          /><button class="btn" @click="choose"><FileUp class="size-4" />Open a CSV file</button>
        </section>
      </div>
    </div>
    <div class="space-y-4">
      <section v-if="answer.blamed.length" class="panel p-5" aria-labelledby="may">
        <h2 id="may" class="text-lg font-bold mb-2">It may be</h2>
        <ul>
          <li v-for="b in answer.blamed.slice(0, 8)" :key="b.cause + b.who + b.where" class="border-t border-line py-2">
            <p class="flex justify-between gap-3">
              <span
                ><strong>{{ b.who }}</strong
                ><template v-if="b.where">, {{ b.where }}</template></span
              ><strong class="whitespace-nowrap">{{ percent(b.probability) }}</strong>
            </p>
            <div class="h-1.5 rounded-full bg-tint mt-1" aria-hidden="true">
              <div class="h-full rounded-full bg-ink" :style="{ width: `${b.probability * 100}%` }" />
            </div>
            <p class="hint mt-1">
              {{ BLAME_CAUSES[b.cause].label }}; part in {{ b.failures }}
              {{ b.failures === 1 ? 'failure' : 'failures' }}
            </p>
          </li>
        </ul>
      </section>
      <section v-if="answer.failing" class="panel p-5" aria-labelledby="tells">
        <h2 id="tells" class="text-lg font-bold mb-2">Best next read</h2>
        <p v-if="!answer.next.length" class="hint">
          No other read of these disks in these drives tells more. Look at the disk itself, or read another by the same
          writer.
        </p>
        <p v-if="answer.lookFirst.length" class="hint mt-2">
          Look for tears and grooves before any other drive reads these: {{ answer.lookFirst.join(', ') }}. They were in
          a drive that may have torn them.
        </p>
        <p v-if="answer.gated.length" class="hint mt-2">
          Not proposed, because a safety gate keeps good disks out: {{ answer.gated.join(', ') }}.
        </p>
        <ol>
          <li
            v-for="n in answer.next"
            :key="n.disk + n.drive"
            class="border-t border-line py-2 flex justify-between gap-3"
          >
            <span
              >Read <strong>{{ n.disk }}</strong> in <strong>{{ n.drive }}</strong></span
            ><span class="hint whitespace-nowrap">{{ n.bits.toFixed(2) }} bit</span>
          </li>
        </ol>
      </section>
      <section v-if="answer.contradictions.length" class="panel p-5">
        <h2 class="text-lg font-bold mb-2">Read once, and not again</h2>
        <ul class="text-sm list-disc pl-5">
          <li v-for="c in answer.contradictions" :key="c">{{ c }}</li>
        </ul>
      </section>
    </div>
  </div>
</template>
