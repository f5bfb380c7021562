<script setup lang="ts">
import { Crosshair } from 'lucide-vue-next'
import type { Place } from '../../utils/brightness'

/** What the camera sees or the film shows, with the place that is looked at. A tap or the arrow keys move the place. */
const place = defineModel<Place>('place', { required: true })
const { film = false } = defineProps<{ film?: boolean }>()
const video = useTemplateRef('video')
const size = ref({ width: 4, height: 3 })
const measure = () => {
  const v = video.value
  if (v?.videoWidth) size.value = { width: v.videoWidth, height: v.videoHeight }
}

const inside = (x: number) => Math.min(1, Math.max(0, x))
function tapped(event: PointerEvent): void {
  const box = (event.currentTarget as Element).getBoundingClientRect()
  place.value = {
    ...place.value,
    x: inside((event.clientX - box.left) / box.width),
    y: inside((event.clientY - box.top) / box.height),
  }
}
const MOVES: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-0.02, 0],
  ArrowRight: [0.02, 0],
  ArrowUp: [0, -0.02],
  ArrowDown: [0, 0.02],
}
function keyed(event: KeyboardEvent): void {
  const move = MOVES[event.key]
  if (!move) return
  event.preventDefault()
  place.value = { ...place.value, x: inside(place.value.x + move[0]), y: inside(place.value.y + move[1]) }
}
const side = computed({
  get: () => Math.round(100 * place.value.side),
  set: percent => {
    place.value = { ...place.value, side: Math.min(50, Math.max(1, percent || 1)) / 100 }
  },
})
defineExpose({ video })
</script>

<template>
  <div class="space-y-2">
    <div
      class="relative bg-black rounded-box overflow-hidden max-h-[46vh] mx-auto cursor-crosshair"
      :style="{ aspectRatio: `${size.width} / ${size.height}`, maxWidth: `${(46 * size.width) / size.height}vh` }"
      tabindex="0"
      role="application"
      aria-label="Picture: tap, or use the arrow keys, to move the place that is looked at"
      data-testid="picture"
      @pointerdown="tapped"
      @keydown="keyed"
    >
      <video ref="video" class="size-full" muted playsinline :loop="film" @loadedmetadata="measure" />
      <svg class="absolute inset-0 size-full" :viewBox="`0 0 ${size.width} ${size.height}`" aria-hidden="true">
        <rect
          :x="size.width * (place.x - place.side / 2)"
          :y="size.height * place.y - (size.width * place.side) / 2"
          :width="size.width * place.side"
          :height="size.width * place.side"
          fill="none"
          stroke="#000"
          :stroke-width="size.width / 110"
        />
        <rect
          :x="size.width * (place.x - place.side / 2)"
          :y="size.height * place.y - (size.width * place.side) / 2"
          :width="size.width * place.side"
          :height="size.width * place.side"
          fill="none"
          stroke="#fff"
          :stroke-width="size.width / 220"
        />
      </svg>
    </div>
    <div class="flex flex-wrap items-center gap-x-4 gap-y-2 text-sm">
      <p class="hint flex items-center gap-2 grow basis-64">
        <Crosshair class="size-4 shrink-0" aria-hidden="true" />Tap where the mark passes. The square should be about as
        wide as the mark.
      </p>
      <label class="flex items-center gap-2"
        >Width of the square, %
        <input v-model.number="side" type="number" min="1" max="50" class="field w-20!" data-testid="side" />
      </label>
    </div>
  </div>
</template>
