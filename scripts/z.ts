import { Misaligned, follow } from './bench/align'

for (let s = 1; s <= 8; s++) { let t = performance.now(); const d = new Misaligned(s); const a = performance.now() - t; t = performance.now(); for (let i = -5; i < 5; i++) d.try(i); console.log(d.mechanism, d.adjuster, 'new', a.toFixed(0), 'try', ((performance.now() - t) / 10).toFixed(1)); let adv = 0; t = performance.now(); const f = follow(s, false, ms => adv += ms); console.log('   follow', f.tries, (performance.now() - t).toFixed(0), 'advice', adv.toFixed(0)) }
