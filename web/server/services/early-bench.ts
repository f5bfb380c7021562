import type { NextThing } from '@wobrin/core/bench/stations'
import type { Bench } from '../../shared/bench'
import { escaped } from './escaped'

/** Things after the first one that the panel names. */
const AFTER = 4

/**
 * What to do next, as the page of the bench draws it: it stands in the page itself, so that it is there before any
 * script. Icons, and what needs scripts, leave their room empty.
 * @returns null where the page begins with something else
 */
export function earlyBench({ next, waits, setAside }: Pick<Bench, 'next' | 'waits' | 'setAside'>): string | null {
  const [first, ...others] = next
  if (!first || setAside.length > 0) return null
  const columns = waits.length ? ' lg:grid-cols-[1fr_20.5rem]' : ''
  return `<main class="mx-auto max-w-[1280px] px-4 sm:px-6 pb-10"><div class="space-y-4">
<h1 class="sr-only">Bench</h1>
<div class="grid gap-4 items-stretch${columns}">
<section class="panel p-6 grid md:grid-cols-[1fr_minmax(14rem,20rem)] gap-x-8 gap-y-6" aria-label="Do next">
<div class="min-w-0"><h2 class="section-title mb-3">Do next</h2>
<p class="flex items-center gap-3 mb-2 text-xl font-bold">${tag(first.tag)}<span>${escaped(first.title)}</span></p>
<p class="max-w-prose">${escaped(first.reason)} About <strong>${first.minutes} min</strong>.</p>
<div class="flex flex-wrap gap-3 mt-4">
<a class="btn btn-primary" href="${escaped(addressOf(first))}">Go to ${escaped(first.tag)}</a>
${others.length ? '<span class="btn coming-later">Show another</span>' : ''}
<a class="btn btn-quiet" href="/drives/new"><span class="size-4"></span>Receive a drive</a></div></div>
<div class="md:border-l border-line md:pl-6 min-w-0"><h3 class="text-sm font-bold mb-2">After that</h3>
<ul class="text-sm space-y-1">${others.slice(0, AFTER).map(line).join('')}</ul>
${others.length ? '' : '<p class="hint">Nothing else is open.</p>'}
<a class="btn btn-quiet mt-2 -ml-3" href="/day"><span class="size-4"></span>Plan the day</a></div></section>
${waits.length ? '<div class="panel coming-beside"></div>' : ''}</div></div></main>`
}

const addressOf = (n: NextThing) =>
  `/drives/${n.driveId}?${n.ofCase ? 'view=case' : `station=${encodeURIComponent(n.station)}`}`

const line = (n: NextThing) =>
  `<li><a href="/drives/${escaped(n.driveId)}" class="flex gap-2 py-1 hover:underline underline-offset-2">` +
  `<span class="font-bold w-14 shrink-0">${escaped(n.tag)}</span><span class="grow truncate">${escaped(n.title)}</span>` +
  `<span class="hint shrink-0">${n.minutes} min</span></a></li>`

const tag = (its: string) =>
  `<span class="relative inline-flex items-center h-6.5 pl-7 pr-3 text-sm font-bold whitespace-nowrap">
<svg class="absolute inset-0 size-full" preserveAspectRatio="none" viewBox="0 0 74 26" aria-hidden="true"><path
d="M9 1H73V25H9L1 13z" fill="var(--tag)" stroke="currentColor" stroke-width="1.5" vector-effect="non-scaling-stroke"
/></svg><span class="absolute left-2.5 size-1.5 rounded-full border border-current" aria-hidden="true"></span>
<span class="relative">${escaped(its)}</span></span>`
