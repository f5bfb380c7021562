<script setup lang="ts">
import { AS_FOUND_KINDS } from '@wobrin/core/log'
import type { RecordedItem } from '@wobrin/core/findings'
import type { Photo } from '~/composables/useAsFound'

/** A photo with its numbered marks; a tap, or arrows and Enter, places another. */
const {
  photo,
  record,
  closed = false,
} = defineProps<{ photo: Photo; record: readonly RecordedItem[]; closed?: boolean }>()
const emit = defineEmits<{ mark: [x: number, y: number] }>()

const marks = computed(() => record.filter(r => r.item.mark?.photo === photo.entry.id))
const frame = useTemplateRef('frame')
/** Where the arrow keys have brought the cross, as shares; null until they are used. */
const cross = ref<{ x: number; y: number } | null>(null)
const clamp = (v: number) => Math.min(1, Math.max(0, v))

function place(event: MouseEvent): void {
  if (closed) return
  const box = frame.value!.getBoundingClientRect()
  emit('mark', clamp((event.clientX - box.left) / box.width), clamp((event.clientY - box.top) / box.height))
}
function key(event: KeyboardEvent): void {
  const step = event.shiftKey ? 0.1 : 0.02
  const by = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] }[event.key]
  if (by) {
    event.preventDefault()
    const at = cross.value ?? { x: 0.5, y: 0.5 }
    cross.value = { x: clamp(at.x + by[0]!), y: clamp(at.y + by[1]!) }
  } else if (event.key === 'Enter' && cross.value && !closed) {
    event.preventDefault()
    emit('mark', cross.value.x, cross.value.y)
  }
}
const meaning = (r: RecordedItem) =>
  [
    `${AS_FOUND_KINDS[r.item.kind]}: ${r.item.name}`,
    r.item.state,
    r.undone ? (r.putBack ? 'back' : (r.broke ?? 'undone')) : '',
  ]
    .filter(Boolean)
    .join(', ')
</script>

<template>
  <figure>
    <div
      ref="frame"
      class="relative w-fit max-w-full mx-auto select-none"
      :class="closed ? '' : 'cursor-crosshair'"
      :tabindex="closed ? undefined : 0"
      role="application"
      :aria-label="`${photo.entry.title}: arrows move a cross, Enter marks a thing there`"
      data-testid="photo-marks"
      @click="place"
      @keydown="key"
      @blur="cross = null"
    >
      <img
        :src="`/api/photos/${photo.sha}`"
        :alt="photo.entry.title"
        class="block max-h-[58vh] w-auto max-w-full rounded-box bg-tint"
        :style="{ aspectRatio: `${photo.width} / ${photo.height}` }"
        draggable="false"
      />
      <span
        v-for="r in marks"
        :key="r.entry.id"
        class="absolute -translate-x-1/2 -translate-y-1/2 min-w-7 h-7 px-1 grid place-items-center rounded-full border-2 text-sm font-bold shadow"
        :class="
          r.undone && !r.putBack
            ? 'bg-[#FFF7E8] text-[#1D2A33] border-[#1D2A33] border-dashed'
            : 'bg-[#1D2A33] text-[#FFF] border-[#FFF]'
        "
        :style="{ left: `${r.item.mark!.x * 100}%`, top: `${r.item.mark!.y * 100}%` }"
        :title="meaning(r)"
        >{{ r.number }}</span
      >
      <span
        v-if="cross"
        class="absolute size-8 -translate-x-1/2 -translate-y-1/2 pointer-events-none"
        :style="{ left: `${cross.x * 100}%`, top: `${cross.y * 100}%` }"
        aria-hidden="true"
      >
        <svg viewBox="0 0 32 32">
          <path d="M16 0v32M0 16h32" stroke="#fff" stroke-width="5" />
          <path d="M16 0v32M0 16h32" stroke="#1D2A33" stroke-width="2" />
        </svg>
      </span>
    </div>
    <figcaption class="mt-2 text-sm">
      <span class="font-bold">{{ photo.entry.title }}</span><span class="hint"
        >, {{ longTime(photo.entry.at) }} ·
        <a class="link" :href="`/api/photos/${photo.sha}?size=full`" target="_blank">whole size</a></span
      >
      <ol v-if="marks.length" class="mt-1.5 grid sm:grid-cols-2 gap-x-6 gap-y-0.5">
        <li v-for="r in marks" :key="r.entry.id" class="flex gap-2">
          <span class="font-bold w-5 text-right shrink-0">{{ r.number }}</span><span>{{ meaning(r) }}</span>
        </li>
      </ol>
    </figcaption>
  </figure>
</template>
