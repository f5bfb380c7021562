import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { fetchAhead } from '../../app/utils/fetch-ahead'

const asked: string[] = []
const ahead = (of: Record<string, Promise<unknown>>, sinceMs = 100) => {
  vi.stubGlobal('window', { askedAhead: new Map(Object.entries(of)) })
  vi.stubGlobal('performance', { now: () => sinceMs })
}

beforeEach(() => {
  asked.length = 0
  vi.stubGlobal('$fetch', async (url: string) => {
    asked.push(url)
    return 'asked now'
  })
})
afterEach(() => vi.unstubAllGlobals())

describe('what a page asked for as it began', () => {
  it('is used once, and asked for afterwards', async () => {
    ahead({ '/api/bench': Promise.resolve('asked ahead') })
    expect(await fetchAhead('/api/bench')).toBe('asked ahead')
    expect(await fetchAhead('/api/bench')).toBe('asked now')
    expect(asked).toEqual(['/api/bench'])
  })

  it('is asked for again where nothing came, where it is old, and where nothing was asked', async () => {
    ahead({ '/api/bench': Promise.resolve(undefined) })
    expect(await fetchAhead('/api/bench')).toBe('asked now')
    ahead({ '/api/bench': Promise.resolve('asked ahead') }, 60_000)
    expect(await fetchAhead('/api/bench')).toBe('asked now')
    vi.stubGlobal('window', {})
    expect(await fetchAhead('/api/workshop')).toBe('asked now')
  })
})
