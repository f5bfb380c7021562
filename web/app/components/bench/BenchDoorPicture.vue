<script setup lang="ts">
/** A drawing for each way to begin: a drive front, a ruler, a simulated drive, a box. */
defineProps<{ door: 'wrong' | 'measure' | 'practise' | 'archive' }>()
</script>

<template>
  <svg
    viewBox="0 0 220 84"
    class="w-full max-w-56 h-auto"
    aria-hidden="true"
    fill="none"
    stroke="var(--color-ink)"
    stroke-width="1.8"
    stroke-linejoin="round"
  >
    <template v-if="door === 'wrong'">
      <rect x="10" y="18" width="150" height="48" rx="3" fill="var(--color-tint)" />
      <path d="M20 38h130" stroke-width="4" />
      <rect x="76" y="29" width="20" height="18" fill="var(--color-panel)" />
      <circle cx="24" cy="55" r="3" fill="var(--color-ink)" />
      <path d="M188 22l20 20-20 20-20-20z" fill="var(--color-mend-tint)" stroke="var(--color-mend)" />
      <path d="M188 32v13m0 5v3" stroke="var(--color-mend)" stroke-width="2.4" />
    </template>
    <template v-else-if="door === 'measure'">
      <path d="M10 60h200" stroke-width="3" />
      <path v-for="i in 21" :key="i" :d="`M${10 + (i - 1) * 10} 60v${i % 5 === 1 ? -16 : -9}`" stroke-width="1.4" />
      <rect x="90" y="44" width="40" height="16" fill="var(--color-band-narrow)" stroke="none" />
      <path d="M118 12h20l-10 16zM128 28v32" fill="var(--color-ink)" />
    </template>
    <template v-else-if="door === 'practise'">
      <rect x="10" y="18" width="150" height="48" rx="3" stroke-dasharray="6 4" />
      <path d="M20 38h130" stroke-width="4" stroke-dasharray="6 4" />
      <circle cx="24" cy="55" r="3" fill="var(--color-ink)" />
      <circle cx="188" cy="42" r="19" stroke="var(--color-leave)" fill="var(--color-leave-tint)" />
      <path d="M180 44l6 6 11-14" stroke="var(--color-leave)" stroke-width="2.6" />
    </template>
    <template v-else>
      <path d="M40 34h110v36H40zM34 20h122v14H34z" fill="var(--color-tint)" />
      <path d="M84 46h22" stroke-width="3" />
      <path d="M190 16v38m-12-12l12 12 12-12" stroke-width="2.4" />
    </template>
  </svg>
</template>
