<script setup lang="ts">
import { ArrowLeft } from 'lucide-vue-next'
import { findCheck, findFault } from '@wobrin/core/diagnosis'
import type { NextCheck, Cause } from '@wobrin/core/diagnosis'

/** Why a suspect stands where it does: what speaks for it, what against, what would settle it, and its cure. */
const { cause, next } = defineProps<{ cause: Cause; next: readonly NextCheck[] }>()
const emit = defineEmits<{ back: []; check: [id: string] }>()
const fault = computed(() => findFault(cause.fault))
/** Checks of which one answer leaves it, and another takes it away. */
const settles = computed(() => next.filter(n => n.leaves.some(l => l.causes.some(c => c.fault === cause.fault))))
</script>

<template>
  <section class="text-sm min-w-0" data-testid="why" :aria-label="`Why: ${cause.label}`">
    <button class="link inline-flex items-center gap-1 min-h-8 mb-1" type="button" @click="emit('back')">
      <ArrowLeft class="size-3.5" />What it may be
    </button>
    <h2 class="text-base font-bold flex justify-between gap-3">
      <span>{{ cause.label }}</span><span>{{ percent(cause.probability) }}</span>
    </h2>
    <h3 class="section-title mt-2">For it</h3>
    <ul>
      <li v-for="w in cause.why" :key="w">{{ w }}</li>
      <li v-if="cause.why.length === 0" class="hint">Only how often it is met.</li>
    </ul>
    <h3 class="section-title mt-2">Against it</h3>
    <ul>
      <li v-for="a in cause.against" :key="a">{{ a }}</li>
      <li v-if="cause.against.length === 0" class="hint">Nothing so far.</li>
    </ul>
    <template v-if="settles.length">
      <h3 class="section-title mt-2">What would settle it</h3>
      <ul>
        <li v-for="n in settles" :key="n.check">
          <button class="link min-h-8 text-left" type="button" @click="emit('check', n.check)">
            {{ findCheck(n.check)!.title }}
          </button>
          <span class="hint"> {{ n.minutes }} min</span>
        </li>
      </ul>
    </template>
    <h3 class="section-title mt-2">Cure</h3>
    <p>{{ cause.cure }}</p>
    <p v-if="fault" class="hint mt-1">About {{ fault.cure.minutes }} min.</p>
  </section>
</template>
