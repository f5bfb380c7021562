/** One case at one size, in a process of its own: prints its processor time and what its memory grew by, as JSON. */
import { CASES } from './cases'

const ENOUGH_MS = 2000
const MOST_RUNS = 25

const [name, size, file] = process.argv.slice(2)
const work = CASES.find(c => c.name === name)!.make(Number(size), file!)
const cpuMs = () => {
  const { user, system } = process.cpuUsage()
  return (user + system) / 1000
}
global.gc?.()
const before = process.memoryUsage().rss
let best = Infinity
let spent = 0
for (let runs = 0; runs < MOST_RUNS && (spent < ENOUGH_MS || runs < 5); runs++) {
  const begun = cpuMs()
  await work()
  const took = cpuMs() - begun
  spent += took
  best = Math.min(best, took)
}
const megabytes = Math.max(0, process.resourceUsage().maxRSS / 1024 - before / 2 ** 20)
console.log(JSON.stringify({ ms: best, megabytes }))
