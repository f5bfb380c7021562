<script setup lang="ts">
const { shown, close } = useKeysDialog()

const groups = [
  {
    title: 'Everywhere',
    keys: [
      ['B', 'to the bench'],
      ['/', 'find a drive, a station or a drive type'],
      ['?', 'these keys'],
    ],
  },
  {
    title: 'On a drive',
    keys: [
      ['Space', 'step done'],
      ['F', 'say what you found: a digit answers, letters search'],
      ['N', 'write a note'],
      ['P', 'add a photo'],
      ['W', 'start a wait'],
      ['M', 'measure: open a recording'],
      ['Z', 'take the latest entry back'],
      ['1 … 9, 0, -', 'look at a station, Receive to Release'],
    ],
  },
  {
    title: 'At a case',
    keys: [
      ['1 … 9', 'answer the check that is asked'],
      ['S', 'safety looks'],
      ['T', 'practice drive: try it'],
      ['A', 'across the bench'],
      ['C', 'to the stations, and back'],
    ],
  },
  {
    title: 'At an instrument',
    keys: [
      ['A', 'across the bench: a readout to read from two metres'],
      ['E', 'by ear: the tone on or off'],
      ['L', 'live signal: across the bench'],
      ['K', 'live signal: save to log'],
      ['Esc', 'back to the instrument'],
    ],
  },
  {
    title: 'By foot',
    keys: [
      ['Page Down', 'step done, or on to the next station'],
      ['Page Up', 'back: the last step undone, or the station before'],
      ['at a case', 'Page Up marks the next answer, Page Down saves it'],
    ],
  },
]
</script>

<template>
  <ModalDialog :shown="shown" title="Keys" wide @close="close">
    <div class="grid sm:grid-cols-2 gap-x-8 gap-y-5">
      <section v-for="group in groups" :key="group.title">
        <h3 class="section-title mb-1">{{ group.title }}</h3>
        <dl>
          <div v-for="[key, what] in group.keys" :key="key" class="flex gap-3 py-1 text-sm">
            <dt class="w-24 shrink-0">
              <kbd class="whitespace-nowrap">{{ key }}</kbd>
            </dt>
            <dd>{{ what }}</dd>
          </div>
        </dl>
      </section>
    </div>
    <p class="hint mt-5">Keys rest while you type. A page-turning pedal sends Page Down and Page Up.</p>
    <button class="btn mt-4" @click="close">Close</button>
  </ModalDialog>
</template>
