<script setup lang="ts">
import { Check, Circle, LoaderCircle } from 'lucide-vue-next'
import type { PointState } from '@wobrin/core/bench/bench-test'

/** The drive at a board, tried as a host’s test program does: what is done now, what hands must do, what came of it. */
const { board, test, held } = defineProps<{ board: Board; test: BoardTest; held: boolean }>()
const heads = defineModel<1 | 2>('heads', { required: true })
const emit = defineEmits<{ start: [] }>()
const { reading, hello } = board
const { steps, hands, report, points } = test
const MARKS: Readonly<Partial<Record<PointState, 'leave' | 'mend' | 'unknown'>>> = {
  right: 'leave',
  wrong: 'mend',
  again: 'unknown',
}
const diskOut = computed(() => hands.value === 'put the disk in')

/** A simulated drive has no hands of its own. */
function did(it: boolean): void {
  if (it && hello.value?.simulated) void board.disk(hands.value === 'take the disk out' ? 'out' : 'in')
  test.answer(it)
}
</script>

<template>
  <section aria-label="Test the drive" class="space-y-4">
    <div class="flex flex-wrap gap-4 items-end">
      <p class="hint basis-80 grow self-center">
        About 45 s: silence without SELECT, motor and index, homing from two places, a track of each zone, the motor
        stopping. Half-way it asks you to take the disk out and to put it back.
      </p>
      <FormField v-slot="{ id }" label="Heads" class="w-20"
        ><select :id="id" v-model.number="heads" class="field" :disabled="reading">
          <option :value="1">1</option>
          <option :value="2">2</option>
        </select></FormField
      >
      <button class="btn btn-primary" :disabled="held || reading" @click="emit('start')">Start the test</button>
    </div>
    <div v-if="hands" class="rounded-box border-2 border-nudge p-4" role="alert" data-testid="hands">
      <p class="text-lg font-bold">Please {{ hands }}.</p>
      <p class="hint">
        {{
          diskOut
            ? 'The motor is told to run; the disk turns as soon as it is in.'
            : 'Where the disk does not come out, skip the disk change.'
        }}
      </p>
      <div class="flex gap-3 mt-3">
        <button class="btn btn-primary" @click="did(true)">{{ diskOut ? 'The disk is in' : 'The disk is out' }}</button>
        <button class="btn" @click="did(false)">Skip disk change</button>
      </div>
    </div>
    <ProgressLine
      v-if="reading && steps.length"
      :share="(steps.length - 1) / steps[0]!.all"
      :what="steps.at(-1)!.says"
      end="Stop after this part"
      @end="board.stop"
    />
    <ol v-if="steps.length && !report" class="text-sm max-w-lg">
      <li v-for="(s, i) in steps" :key="s.says" class="flex gap-3 py-1.5 border-t border-line first:border-t-0">
        <LoaderCircle v-if="reading && i === steps.length - 1" class="size-5 shrink-0 text-muted" aria-label="now" />
        <Check v-else class="size-5 shrink-0 text-muted" aria-label="done" />
        <span>{{ s.says }}</span>
      </li>
      <li v-if="reading && steps.length < steps[0]!.all" class="flex gap-3 py-1.5 border-t border-line text-muted">
        <Circle class="size-5 shrink-0" aria-hidden="true" />{{ steps[0]!.all - steps.length }} more
      </li>
    </ol>
    <div v-if="report" class="space-y-3" data-testid="test-result">
      <CallBand :call="report.call" />
      <table class="w-full text-sm">
        <caption class="sr-only">
          What was tried
        </caption>
        <thead>
          <tr class="text-left text-muted">
            <th scope="col" class="font-normal py-1">Tried</th>
            <th scope="col" class="font-normal">Expected</th>
            <th scope="col" class="font-normal">Seen</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="p in points" :key="p.point.check" class="border-t border-line align-top">
            <th scope="row" class="text-left font-bold py-1.5 pr-3">{{ p.point.label }}</th>
            <td class="py-1.5 pr-3 text-muted">{{ p.expected }}</td>
            <td class="py-1.5">
              <span class="flex gap-2"
                ><CallMark v-if="MARKS[p.state]" :kind="MARKS[p.state]!" :size="16" decorative class="mt-0.5" /><span
                  >{{ p.seen }}<span class="sr-only">, {{ p.state }}</span></span
                ></span
              >
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>
