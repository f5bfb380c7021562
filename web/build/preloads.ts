/** A piece of the built application, as the bundler lists it. */
interface Part {
  readonly file: string
  readonly imports?: readonly string[]
  readonly isEntry?: boolean
}

/** A page of the application: the pattern of its address, and the file that it is written in. */
export interface PageFile {
  readonly pattern: string
  readonly file: string
}

/** What a page needs beside the entry, by the pattern of its address. */
export type Preloads = readonly { readonly pattern: string; readonly scripts: readonly string[] }[]

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
 * Scripts that each page needs at once, so that the server can name them before the entry has run.
 * @param manifest pieces by the name of their source
 */
export function preloadsOf(pages: readonly PageFile[], manifest: Readonly<Record<string, Part>>): Preloads {
  const entry = new Set<string>()
  for (const [name, part] of Object.entries(manifest)) if (part.isEntry) collect(name, manifest, entry)
  return pages.map(({ pattern, file }) => {
    const name = Object.keys(manifest).find(key => file.endsWith(`/${key}`))
    const needed = new Set<string>()
    if (name) collect(name, manifest, needed)
    return { pattern, scripts: [...needed].filter(n => !entry.has(n)).map(n => manifest[n]!.file) }
  })
}

/** Fonts that every page is written in: they come with the first page, so that no line breaks anew when they do. */
export const fontsOf = (manifest: Readonly<Record<string, Part>>): readonly string[] => [
  ...new Set(
    Object.values(manifest)
      .map(part => part.file)
      .filter(file => file.endsWith('.woff2')),
  ),
]

function collect(name: string, manifest: Readonly<Record<string, Part>>, into: Set<string>): void {
  if (into.has(name) || !manifest[name]) return
  into.add(name)
  for (const other of manifest[name].imports ?? []) collect(other, manifest, into)
}
