import { describe, expect, it } from 'vitest'
import { fontsOf, pageFiles, preloadsOf } from '../build/preloads'

const pages = pageFiles([
  { path: '/', file: '/w/app/pages/index.vue' },
  { path: '/drives/:id()', file: '/w/app/pages/drives/[id].vue', children: [{ path: 'story', file: '/w/app/s.vue' }] },
])

describe('what a page needs at once', () => {
  it('is found by the pattern of its address', () => {
    const matching = (path: string) => pages.filter(p => new RegExp(p.pattern).test(path)).map(p => p.file)
    expect(matching('/')).toEqual(['/w/app/pages/index.vue'])
    expect(matching('/drives/7')).toEqual(['/w/app/pages/drives/[id].vue'])
    expect(matching('/drives/7/story')).toEqual(['/w/app/s.vue'])
    expect(matching('/drives')).toEqual([])
  })

  it('is all that it imports, and what that imports, without what the entry brings', () => {
    const manifest = {
      'entry.ts': { file: 'e.js', isEntry: true, imports: ['vue'] },
      vue: { file: 'v.js' },
      'pages/index.vue': { file: 'i.js', imports: ['vue', 'shared'] },
      shared: { file: 's.js', imports: ['deep', 'pages/index.vue'] },
      deep: { file: 'd.js' },
    }
    expect(preloadsOf(pages, manifest)[0]!.scripts).toEqual(['i.js', 's.js', 'd.js'])
    expect(preloadsOf(pages, manifest)[1]!.scripts).toEqual([])
  })

  it('is its fonts, in the form that browsers read', () => {
    const manifest = {
      a: { file: 'a.js' },
      b: { file: 'b612.woff2' },
      c: { file: 'b612.woff' },
      d: { file: 'b612.woff2' },
    }
    expect(fontsOf(manifest)).toEqual(['b612.woff2'])
  })
})
