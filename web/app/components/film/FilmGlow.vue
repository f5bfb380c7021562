<script setup lang="ts">
import { Camera, ImageUp } from 'lucide-vue-next'
import { judgeGlow, type GlowSeen, type Grey } from '@wobrin/core/instruments/film'

/** Whether an infrared LED glows: two pictures of one place in the dark, without power and with it. */
const { driveId, camera } = defineProps<{ driveId: string | null; camera: ReturnType<typeof useCamera> }>()
const notices = useNotices()
const { post } = useLogPost()

type Which = 'off' | 'on'
const NAMES = { off: 'without power', on: 'with power' } as const
const pictures = reactive<Record<Which, { grey: Grey; url: string } | null>>({ off: null, on: null })
const seen = shallowRef<GlowSeen | null>(null)
const sensor = ref('index')
const checked = ref(false)
const picture = useTemplateRef('live')
const running = ref(false)
const problem = ref<string | null>(null)
let stream: MediaStream | null = null

/** Pictures are looked at so wide, px. */
const WIDTH = 320

async function take(which: Which, from: CanvasImageSource, width: number, height: number): Promise<void> {
  const canvas = document.createElement('canvas')
  canvas.width = WIDTH
  canvas.height = Math.round((WIDTH * height) / width)
  const context = canvas.getContext('2d')!
  context.drawImage(from, 0, 0, canvas.width, canvas.height)
  const { data } = context.getImageData(0, 0, canvas.width, canvas.height)
  const values = Float32Array.from({ length: data.length / 4 }, (_, i) => grey(data, 4 * i))
  pictures[which] = { grey: { width: canvas.width, height: canvas.height, values }, url: canvas.toDataURL('image/png') }
  const { off, on } = pictures
  seen.value = off && on ? await camera.glow(toRaw(off.grey), toRaw(on.grey)) : null
}
const shoot = (which: Which) => take(which, picture.value!, picture.value!.videoWidth, picture.value!.videoHeight)
async function opened(which: Which, event: Event): Promise<void> {
  const field = event.target as HTMLInputElement
  const file = field.files?.[0]
  field.value = ''
  if (!file) return
  const bitmap = await createImageBitmap(file).catch(() => null)
  if (!bitmap) {
    problem.value = `${file.name} is not a picture that this browser opens; expected JPEG, PNG or WebP.`
    return
  }
  problem.value = null
  await take(which, bitmap, bitmap.width, bitmap.height)
}
async function start(): Promise<void> {
  problem.value = null
  try {
    stream = await openMedia({ video: { facingMode: 'environment' } })
    running.value = true
    await nextTick()
    picture.value!.srcObject = stream
    await picture.value!.play()
  } catch (error) {
    problem.value = mediaProblem('camera', error)
  }
}
function stop(): void {
  closeMedia(stream)
  stream = null
  running.value = false
}
onScopeDispose(stop)

const glow = computed(() => seen.value?.glow ?? null)
const judged = computed(() => seen.value && judgeGlow(seen.value, checked.value))
const value = computed(() => judged.value?.reading ?? null)
async function keepIn(id: string): Promise<void> {
  await post(id, 'readings', {
    key: `sensor.${sensor.value}.camera`,
    value: value.value!,
    source: 'hand',
    by: 'a camera',
  })
  notices.done('On the log.')
}
const { keepTo, keep } = useKeepTo(driveId, keepIn)
</script>

<template>
  <div class="panel p-5 sm:px-6 min-w-0 space-y-4" data-testid="glow">
    <ol class="text-sm list-decimal pl-5 space-y-1">
      <li>Fix the camera so that it looks at the LED from straight ahead. Darken the room.</li>
      <li>Take a picture without power, then one with power. Change nothing else.</li>
    </ol>
    <ProblemBand v-if="problem" :problem="problem" />
    <div v-if="running" class="space-y-2">
      <video ref="live" class="bg-black rounded-box max-h-[36vh]" muted playsinline />
      <div class="flex flex-wrap gap-3 items-center">
        <strong class="flex items-center gap-2 text-sm" role="status"
          ><Camera class="size-5 text-leave" />Camera is on</strong
        >
        <button class="btn btn-primary" @click="shoot('off')">Take picture without power</button>
        <button class="btn btn-primary" :disabled="!pictures.off" @click="shoot('on')">Take picture with power</button>
        <button class="btn btn-quiet" @click="stop">Stop camera</button>
      </div>
    </div>
    <div v-else class="flex flex-wrap gap-3">
      <button class="btn btn-primary" @click="start"><Camera class="size-4" />Start camera</button>
      <label v-for="(name, which) in NAMES" :key="which" class="btn cursor-pointer focus-within:outline-2">
        <ImageUp class="size-4" />Open picture {{ name }}
        <input
          type="file"
          accept="image/*"
          class="sr-only"
          :data-testid="`picture-${which}`"
          @change="opened(which, $event)"
        />
      </label>
    </div>
    <div v-if="pictures.off || pictures.on" class="grid sm:grid-cols-2 gap-4">
      <figure v-for="(name, which) in NAMES" :key="which">
        <div v-if="pictures[which]" class="relative">
          <img :src="pictures[which]!.url" :alt="`Picture ${name}`" class="w-full rounded-box" />
          <svg
            v-if="which === 'on' && glow"
            class="absolute inset-0 size-full"
            viewBox="0 0 100 100"
            preserveAspectRatio="none"
          >
            <circle :cx="100 * glow.x" :cy="100 * glow.y" r="5" fill="none" stroke="#fff" stroke-width="1" />
          </svg>
        </div>
        <figcaption class="hint">{{ pictures[which] ? `Picture ${name}` : `No picture ${name} yet` }}</figcaption>
      </figure>
    </div>
    <label class="flex items-center gap-2 min-h-11 text-sm"
      ><input v-model="checked" type="checkbox" class="size-5" />This camera shows the light of a remote control</label
    >
    <CallBand v-if="judged" :call="judged.call" />
    <div v-if="value" class="flex flex-wrap gap-3 items-end">
      <FormField v-slot="{ id }" label="Sensor">
        <select :id="id" v-model="sensor" class="field">
          <option value="index">index</option>
          <option value="track-0">track zero</option>
          <option value="protect">write protect</option>
        </select>
      </FormField>
      <button class="btn btn-primary" @click="keep">Save “{{ value }}” to {{ driveId ? 'log' : 'a drive…' }}</button>
    </div>
    <FileToDrive :keep="keepTo" @close="keepTo = null" @kept="id => navigateTo(`/drives/${id}`)" />
  </div>
</template>
