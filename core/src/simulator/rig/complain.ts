type Is = (check: string, ...answers: string[]) => boolean

/**
 * What an owner would say of a drive, from what it does wrong: what stands first in the chain is what is noticed, and
 * what lies behind it is not seen.
 */
export function complaintsOf(problems: ReadonlyMap<string, string>, twoHeads: boolean): string[] {
  const is: Is = (check, ...answers) => answers.includes(problems.get(check) ?? '')
  const out = outside(is)
  const link = is('see.host', 'hangs') ? ['host-hangs'] : is('see.host', 'no') ? ['not-recognised'] : []
  out.push(...link)
  if (is('see.motor-off', 'runs on')) out.push('spins-always')
  if (is('see.lamp', 'always')) out.push('lamp-codes')
  if (is('see.spin', 'no')) {
    if (link.length === 0)
      out.push(is('see.lamp', 'none') ? (problems.has('see.step') ? 'dead' : 'no-spin') : 'no-spin')
    return out
  }
  if (is('see.spin', 'sometimes')) out.push('spins-sometimes')
  if (is('see.lamp', 'none') && out.length === 0) out.push('no-lamp')
  if (is('see.click', 'yes')) return [...out, 'noise-click']
  if (is('speed.mean', 'slow')) out.push('spins-slow')
  if (is('speed.mean', 'fast')) out.push('spins-fast')
  if (is('speed.variation', 'uneven')) out.push('spins-uneven')
  if (is('see.disk-in', 'never')) out.push('no-disk')
  if (is('see.disk-in', 'always')) out.push('thinks-disk-in')
  if (is('see.density', 'wrong')) out.push('wrong-density')
  if (is('see.step', 'no')) return [...out, 'no-step']
  if (is('see.step', 'misses')) out.push('steps-wrong')
  if (is('see.home', 'knocks')) return [...out, 'head-bangs']
  if (is('see.home', 'never')) return [...out, 'no-home']
  if (is('see.ready', 'no') && out.length === 0) out.push('not-ready')
  if (is('see.protect', 'always')) out.push('always-protected')
  if (is('see.protect', 'never')) out.push('never-protected')
  if (out.length === 0 || (out.length === 1 && out[0]!.includes('protected')))
    out.push(...reading(problems, is, twoHeads))
  return out
}

/** What is noticed before it does anything: disks, and how they go in and out. */
function outside(is: Is): string[] {
  const out: string[] = []
  if (is('see.marks', 'marked')) out.push('disk-damaged')
  if (is('see.load', 'no', 'stiff')) out.push('no-load')
  if (is('see.eject', 'no')) out.push('no-eject')
  else if (is('see.eject', 'half')) out.push('ejects-half')
  return out
}

function reading(problems: ReadonlyMap<string, string>, is: Is, twoHeads: boolean): string[] {
  const lower = ['read.lower.outer', 'read.lower.inner'].map(c => problems.get(c) ?? 'all')
  const upper = ['read.upper.outer', 'read.upper.inner'].map(c => problems.get(c) ?? 'all')
  if (is('see.steady', 'now and then')) return ['reads-sometimes']
  const dead = (zones: string[]) => zones.every(z => z === 'none')
  const whole = (zones: string[]) => zones.every(z => z === 'all')
  if (dead(lower)) return twoHeads && whole(upper) ? ['reads-one-side'] : ['reads-nothing']
  if (dead(upper) && whole(lower)) return ['reads-one-side']
  if (lower[1] !== 'all' && lower[0] === 'all') return ['reads-outer']
  if (!whole(lower) || !whole(upper)) return ['slow-retries']
  if (is('see.write', 'no')) return ['no-write']
  return is('see.write', 'errors') ? ['write-errors'] : []
}
