import { fonts, preloads } from '#preloads'

/** What a page asks the server for first, by the pattern of its address. */
const DATA: readonly [RegExp, (id: string) => readonly string[]][] = [
  [/^\/$/, () => ['/api/bench']],
  [/^\/drives\/([0-9a-f-]{36})$/, id => [`/api/drives/${id}`, `/api/drives/${id}/case`]],
]
const patterns = preloads.map(p => ({ ...p, pattern: new RegExp(p.pattern) }))

/** Asks for answers while the page's own scripts are on their way; the scripts' first requests take them. */
const askAhead = (urls: readonly string[]): string =>
  urls.map(url => `<link rel="preload" as="fetch" crossorigin href="${url}">`).join('')

/** Names in the page what its scripts would ask for one after the other, so that it comes at the same time. */
export default defineNitroPlugin(nitro => {
  nitro.hooks.hook('render:html', (html, { event }) => {
    const path = event.path.split('?')[0]!
    const { scripts = [], styles = [] } = patterns.find(p => p.pattern.test(path)) ?? {}
    const data = DATA.flatMap(([pattern, of]) => {
      const found = pattern.exec(path)
      return found ? of(found[1] ?? '') : []
    })
    // What the server has to work out is asked for before files, which a browser may have already.
    html.head.unshift(askAhead(['/api/workshop', ...data]))
    html.head.push(
      ...fonts.map(file => `<link rel="preload" as="font" type="font/woff2" crossorigin href="/_nuxt/${file}">`),
      ...scripts.map(file => `<link rel="modulepreload" as="script" crossorigin href="/${file}">`),
      ...styles.map(file => `<link rel="stylesheet" crossorigin href="/${file}">`),
    )
  })
})
