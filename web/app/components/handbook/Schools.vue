<script setup lang="ts">
/** Where practitioners differ: each school with its argument. */
const SCHOOLS = [
  {
    title: 'Spindle speed',
    sides: [
      [
        'Leave alone',
        'Anywhere inside the wide band it reads what it should. Every touch risks the trimmer, and old trimmers break or go scratchy.',
      ],
      [
        'Adjust to nominal',
        'The next drive may be off the other way; two at opposite edges do not read each other. A trimmer that is sound may be turned once and sealed.',
      ],
    ],
  },
  {
    title: 'Lubricant',
    sides: [
      [
        'Light oil',
        'A single drop on guide rail and screw, renewed often. Nothing cakes in it, and too much shows at once and is wiped off.',
      ],
      [
        'Thin grease',
        'A thin grease on the screw stays where it is put for years, and does not creep towards head or belt.',
      ],
    ],
  },
  {
    title: 'Alignment',
    sides: [
      [
        'Reference disk',
        'A disk written on a verified drive is read across the surface; what reads in the middle of its range reads other people’s disks. It shows that this drive agrees with that one, no more.',
      ],
      [
        'Instrument',
        'An analogue alignment disk and a scope measure against the standard. The disk costs more than most drives, wears with every pass, and is rare.',
      ],
    ],
  },
  {
    title: 'Worn motor',
    sides: [
      [
        'Swap the motor',
        'Keeps the mechanism and its alignment; wants the same voltage, shaft and mounting, and leads that may have to be extended.',
      ],
      [
        'Swap the mechanism',
        'Quicker where a donor is intact; brings the donor’s alignment and wear along, and the identity of the drive goes.',
      ],
    ],
  },
] as const
</script>

<template>
  <div class="space-y-5">
    <section v-for="s in SCHOOLS" :key="s.title">
      <h3 class="font-bold mb-1">{{ s.title }}</h3>
      <dl class="grid sm:grid-cols-2 gap-x-8 gap-y-2 text-sm">
        <div v-for="[name, why] in s.sides" :key="name" class="border-l-3 border-line pl-3">
          <dt class="font-bold">{{ name }}</dt>
          <dd>{{ why }}</dd>
        </div>
      </dl>
    </section>
    <p class="text-sm">
      Where the material decides, it decides over either method: silicone grease is safe on plastics, lithium grease is
      doubted there, and nothing goes on a belt. Choose yours in
      <NuxtLink class="link" to="/workshop">Workshop</NuxtLink>; every answer is complete in both.
    </p>
  </div>
</template>
