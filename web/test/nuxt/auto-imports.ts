import * as vue from 'vue'
import { vi } from 'vitest'
import { latestOnly } from '../../app/utils/latest-only'

/**
 * What Nuxt imports by itself stands here as globals, so that a composable runs without a page: Vue's own functions,
 * one state for each key, and a bench in place of the server.
 */
export interface Surroundings {
  /** What was posted: drive, last part of the route, fields. */
  readonly posted: { readonly drive: string; readonly what: string; readonly fields: Record<string, unknown> }[]
  /** Answers of the server by path; a path that has none is answered by a fault. */
  readonly server: Map<string, unknown>
  readonly problems: string[]
}

export function surroundings(more: Readonly<Record<string, unknown>> = {}): Surroundings {
  const state = new Map<string, unknown>()
  const here: Surroundings = { posted: [], server: new Map(), problems: [] }
  const post = async (drive: string, what: string, fields: Record<string, unknown>) => {
    here.posted.push({ drive, what, fields })
    return { id: `e${here.posted.length}`, driveId: drive, ...fields }
  }
  const globals: Record<string, unknown> = {
    ...vue,
    latestOnly,
    useState: (key: string, make: () => unknown) => {
      if (!state.has(key)) state.set(key, vue.ref(make()))
      return state.get(key)
    },
    useLogPost: () => ({ post }),
    useNotices: () => ({ problem: (text: string) => here.problems.push(text), done: () => {} }),
    problemText: (error: unknown) => (error as Error).message,
    $fetch: async (path: string) => {
      if (!here.server.has(path)) throw new Error(`${path} is not there`)
      return here.server.get(path)
    },
    ...more,
  }
  for (const [name, value] of Object.entries(globals)) vi.stubGlobal(name, value)
  return here
}
