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
    const piece = (file: string, imports: string[] = [], sources: string[] = [], isEntry = false) => ({
      file: `_nuxt/${file}`,
      imports: imports.map(i => `_nuxt/${i}`),
      isEntry,
      sources,
      styles: file === 's.js' ? ['_nuxt/s.css'] : [],
    })
    const pieces = [
      piece('e.js', ['v.js'], ['/w/entry.ts'], true),
      piece('v.js'),
      piece('i.js', ['v.js', 's.js'], ['/w/app/pages/index.vue']),
      // A small page stands with what it shares, in a piece that does not have its name.
      piece('s.js', ['d.js', 'i.js'], ['/w/shared.ts', '/w/app/s.vue']),
      piece('d.js', [], ['/w/app/pages/drives/[id].vue']),
    ]
    const found = preloadsOf(pages, pieces)
    const scripts = found.map(p => p.scripts)
    expect(scripts[0]).toEqual(['_nuxt/i.js', '_nuxt/s.js', '_nuxt/d.js'])
    expect(scripts[1]).toEqual(['_nuxt/d.js'])
    expect(scripts[2]).toEqual(['_nuxt/s.js', '_nuxt/d.js', '_nuxt/i.js'])
    expect(found.map(p => p.styles)).toEqual([['_nuxt/s.css'], [], ['_nuxt/s.css']])
    expect(() => preloadsOf(pages, pieces.slice(0, 4))).toThrow('[id].vue')
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
