import type { Plugin } from 'vite'

/** A piece of the built application. */
export interface Piece {
  readonly file: string
  /** Pieces that it needs before it runs, by their files. */
  readonly imports: readonly string[]
  readonly isEntry: boolean
  /** The sources that went into it. A small page may stand in a piece that has the name of something else. */
  readonly sources: readonly string[]
  readonly styles: readonly string[]
}

/** A page of the application: the pattern of its address, and the file that it is written in. */
export interface PageFile {
  readonly pattern: string
  readonly file: string
}

/** What a page needs beside the entry, by the pattern of its address. */
export type Preloads = readonly {
  readonly pattern: string
  readonly scripts: readonly string[]
  readonly styles: readonly string[]
}[]

/** A page of the router and what stands under it, with the whole path of each. */
interface RoutedPage {
  readonly path: string
  readonly file?: string
  readonly children?: readonly RoutedPage[]
}

/** Pages with a pattern for their address: `:id()` stands for one part of a path. */
export function pageFiles(pages: readonly RoutedPage[], before = ''): PageFile[] {
  return pages.flatMap(({ path, file, children = [] }) => {
    const whole = path.startsWith('/') ? path : [before, path].filter(Boolean).join('/')
    const pattern = `^${whole.replace(/:\w+\(\)/g, '[^/]+')}/?$`
    return [...(file ? [{ pattern, file }] : []), ...pageFiles(children, whole)]
  })
}

/**
 * What each page needs at once, so that the server can name them before the entry has run.
 * @throws Error for a page that is in no piece: it would come later than need be, and nothing would tell
 */
export function preloadsOf(pages: readonly PageFile[], pieces: readonly Piece[]): Preloads {
  const byFile = new Map(pieces.map(p => [p.file, p]))
  const needs = (piece: Piece | undefined, into: Set<string>): Set<string> => {
    if (!piece || into.has(piece.file)) return into
    into.add(piece.file)
    for (const file of piece.imports) needs(byFile.get(file), into)
    return into
  }
  const entry = new Set<string>()
  for (const piece of pieces) if (piece.isEntry) needs(piece, entry)
  return pages.map(({ pattern, file }) => {
    const own = pieces.find(p => p.sources.includes(file))
    if (!own) throw new Error(`the page ${file} is in no piece of the build`)
    const scripts = [...needs(own, new Set())].filter(f => !entry.has(f))
    return { pattern, scripts, styles: scripts.flatMap(f => byFile.get(f)!.styles) }
  })
}

/** Tells the pieces of the application once they are made. */
export const tellPieces = (tell: (pieces: readonly Piece[]) => void): Plugin => ({
  name: 'tell-pieces',
  applyToEnvironment: environment => environment.name === 'client',
  generateBundle(_, bundle) {
    tell(
      Object.values(bundle).flatMap(made =>
        made.type === 'chunk'
          ? [
              {
                file: made.fileName,
                imports: made.imports,
                isEntry: made.isEntry,
                sources: made.moduleIds,
                styles: [...(made.viteMetadata?.importedCss ?? [])],
              },
            ]
          : [],
      ),
    )
  },
})

/** Fonts that every page is written in: they come with the first page, so that no line breaks anew when they do. */
export const fontsOf = (manifest: Readonly<Record<string, { readonly file: string }>>): readonly string[] => [
  ...new Set(
    Object.values(manifest)
      .map(part => part.file)
      .filter(file => file.endsWith('.woff2')),
  ),
]
