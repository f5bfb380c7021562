/** A page that nobody sees is never painted: it is waited for no longer, ms. */
const PATIENCE_MS = 1000

let painted: Promise<void> | undefined

/** Kept once something of the application was on the screen. */
const firstPaint = (): Promise<void> =>
  (painted ??= new Promise(resolve => {
    setTimeout(resolve, PATIENCE_MS)
    new PerformanceObserver(seen => {
      if (seen.getEntriesByName('first-contentful-paint').length) resolve()
    }).observe({ type: 'paint', buffered: true })
  }))

/** Does what can wait, once the page has been drawn, is on the screen, and the browser is idle. */
export const afterFirstPaint = (run: () => void): void =>
  onNuxtReady(async () => {
    await firstPaint()
    run()
  })
