<script setup lang="ts">
import { calculatorGroups } from '@wobrin/core/calculators/registry'
import type { StationId } from '@wobrin/core/log'

useHead({ title: 'Instruments · Wobrin' })

interface Entry {
  readonly to: string
  readonly title: string
  readonly what: string
}
const of = (station: StationId) =>
  calculatorGroups(station).map(g => ({
    group: g.group,
    list: g.sums.map((s): Entry => ({ to: `/instruments/${s.id}`, title: s.title, what: s.purpose })),
  }))
const stations: readonly {
  readonly title: string
  readonly groups: readonly { readonly group: string; readonly list: readonly Entry[] }[]
}[] = [
  {
    title: 'Speed',
    groups: [
      {
        group: 'Spindle',
        list: [
          {
            to: '/instruments/speed',
            title: 'Speed',
            what: 'A recording of the index line, or of any mark on the spindle, becomes a call.',
          },
          {
            to: '/instruments/reading',
            title: 'Typed reading',
            what: 'A speed, a voltage, a level or a count that something else showed: judged, and kept with its source.',
          },
          {
            to: '/instruments/strobe',
            title: 'Strobe companion',
            what: 'How many bars stand still at a speed, and a disc to print.',
          },
        ],
      },
    ],
  },
  {
    title: 'Interface',
    groups: [
      {
        group: 'Drive',
        list: [
          {
            to: '/instruments/read-test',
            title: 'Read test',
            what: 'A surface by a recording of the interface: timing margin left, cylinder by cylinder and head by head.',
          },
          {
            to: '/instruments/wire',
            title: 'Interface lines',
            what: 'A drive by its lines: the simulated one by hand, a recording played back, seeks, wires wiggled.',
          },
        ],
      },
    ],
  },
  { title: 'Drive train', groups: of('drive-train') },
  {
    title: 'Align',
    groups: [
      {
        group: 'Reference disk',
        list: [
          {
            to: '/instruments/sweep',
            title: 'Adjuster sweep',
            what: 'Where each head reads, which position to try next, and where to set it.',
          },
        ],
      },
      ...of('align').map(g =>
        g.group === 'Instrument method'
          ? {
              ...g,
              list: [
                {
                  to: '/instruments/scope',
                  title: 'Scope recording',
                  what: 'Lobes, bursts and index of an alignment disk, found in what a scope kept.',
                },
                ...g.list,
              ],
            }
          : g,
      ),
    ],
  },
  {
    title: 'Prove',
    groups: [
      {
        group: 'Disks and drives',
        list: [
          {
            to: '/instruments/blame',
            title: 'Disk or drive',
            what: 'A disk that reads here and not there: disk, head, drive or writer, and what to read next.',
          },
          {
            to: '/instruments/write-test',
            title: 'Write test',
            what: 'Protect, format, patterns and home, on the simulated drive: what it finds, and what it hides.',
          },
        ],
      },
      ...of('prove'),
    ],
  },
  {
    title: 'Electronics',
    groups: [
      ...of('electronics'),
      {
        group: 'Host',
        list: [
          {
            to: '/instruments/host-fit',
            title: 'Host fit',
            what: 'How the straps must stand for a host, what takes a wire, and what will never work.',
          },
        ],
      },
    ],
  },
]
</script>

<template>
  <div>
    <h1 class="text-2xl font-bold mb-1">Instruments</h1>
    <p class="text-muted mb-5">
      A quick measurement with no drive on file. What is worth keeping can be filed to a drive afterwards.
    </p>
    <div class="space-y-4">
      <section v-for="s in stations" :key="s.title" class="panel px-5 sm:px-6 py-4" :aria-label="s.title">
        <h2 class="text-lg font-bold">{{ s.title }}</h2>
        <div
          v-for="g in s.groups"
          :key="g.group"
          class="grid sm:grid-cols-[8.5rem_1fr] border-t border-line first-of-type:mt-2 py-1.5"
        >
          <h3 class="text-sm text-muted pt-2">{{ g.group }}</h3>
          <ul class="grid md:grid-cols-2 gap-x-8">
            <li v-for="i in g.list" :key="i.to">
              <NuxtLink :to="i.to" class="block py-1.5 min-h-11 group"
                ><span class="font-bold group-hover:underline underline-offset-2">{{ i.title }}</span
                ><span class="hint block">{{ i.what }}</span></NuxtLink
              >
            </li>
          </ul>
        </div>
      </section>
    </div>
  </div>
</template>
