import { setTimeout } from 'node:timers/promises'
import { earlyBench } from '../services/early-bench'

/** A page does not wait longer than this for what could stand in it early. */
const MOST_MS = 25
/** The shape of any page, which the template draws; the last of it is what follows. */
const SHAPE = /<div class="coming" aria-hidden="true">[\s\S]*?<\/div>\s*<\/div>/
const FOLLOWS = '<div class="coming" aria-hidden="true"><div style="height: 360px"></div></div>'

/** Puts what to do next into the page of the bench. What goes wrong shows when the page's scripts ask. */
export default defineNitroPlugin(nitro => {
  nitro.hooks.hook('render:html', async (html, { event }) => {
    if (event.path.split('?')[0] !== '/') return
    const early = await Promise.race([worked().catch(() => null), setTimeout(MOST_MS, null)])
    if (!early) return
    html.body = html.body.map(part => part.replace(SHAPE, () => early + FOLLOWS))
    // It is of this moment: a browser asks again.
    setResponseHeader(event, 'cache-control', 'no-cache')
  })
})

async function worked(): Promise<string | null> {
  const { bench } = await useServices()
  return earlyBench(await bench.at(Date.now()))
}
