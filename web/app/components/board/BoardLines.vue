<script setup lang="ts">
import type { DrivenLine, Hello } from '@wobrin/core/instruments/bench-link'
import { LINES, type LineName } from '@wobrin/core/instruments/interface'
import type { BoardNews } from '../../workers/board.worker'

/** The lines that a board sees, as they are now; those that it drives can be set. */
const { hello, news } = defineProps<{ hello: Hello; news: BoardNews | null; busy: boolean }>()
const emit = defineEmits<{ set: [line: DrivenLine, low: boolean] }>()
/** WRITE GATE is not driven from here: a disk may be in. */
const drives = (line: LineName) => line !== 'write-gate' && (hello.drives as readonly string[]).includes(line)
</script>

<template>
  <table class="w-full text-sm" data-testid="board-lines">
    <caption class="sr-only">
      Lines of the interface
    </caption>
    <thead>
      <tr class="text-left text-muted">
        <th scope="col" class="font-normal py-1">Line</th>
        <th scope="col" class="font-normal">Level</th>
        <th scope="col" class="font-normal text-right">Changes</th>
        <th scope="col" class="sr-only">Set</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="line in hello.lines" :key="line" class="border-t border-line">
        <td class="py-1">{{ LINES[line].label }}</td>
        <td>
          <svg viewBox="0 0 28 14" class="inline h-3.5 w-7 mr-2" aria-hidden="true">
            <path
              :d="news?.lines[line] ? 'M1 2h7v10h12V2h7' : 'M1 12h7V2h12v10h7'"
              fill="none"
              stroke="currentColor"
              stroke-width="1.6"
            /></svg
          >{{ news ? (news.lines[line] ? 'low, true' : 'high') : '–' }}
        </td>
        <td class="text-right">{{ news?.changes[line] ?? 0 }}</td>
        <td class="text-right">
          <button
            v-if="drives(line)"
            class="link min-h-9 px-2"
            :disabled="busy"
            @click="emit('set', line as DrivenLine, !news?.lines[line])"
          >
            Set {{ news?.lines[line] ? 'high' : 'low' }}
          </button>
        </td>
      </tr>
    </tbody>
  </table>
</template>
