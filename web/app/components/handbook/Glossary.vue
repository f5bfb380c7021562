<script setup lang="ts">
import { GLOSSARY } from '../../../shared/glossary'
</script>

<template>
  <section class="panel p-6" aria-labelledby="glossary">
    <h2 id="glossary" class="text-xl font-bold mb-1">Glossary</h2>
    <p class="text-muted mb-4">One meaning for each word that is used here.</p>
    <dl class="grid sm:grid-cols-2 gap-x-8 text-sm">
      <div v-for="t in GLOSSARY" :key="t.term" class="grid grid-cols-[10rem_1fr] gap-3 border-b border-line py-1.5">
        <dt class="font-bold">{{ t.term }}</dt>
        <dd>{{ t.means }}</dd>
      </div>
    </dl>
  </section>
</template>
