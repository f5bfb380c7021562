import { describe, expect, it } from 'vitest'
import { diskImage, imageMapCsv, type ReadSector } from '../../../src/signals/codes'

const sector = (part: Partial<ReadSector>): ReadSector => ({
  cylinder: 0,
  head: 0,
  id: 1,
  bytes: 4,
  state: 'good',
  data: Uint8Array.of(1, 2, 3, 4),
  ...part,
})

describe('a flat image', () => {
  it('is in order of cylinder, head and id; what was not read is filled and listed, never passed off as data', () => {
    const image = diskImage(
      [
        sector({ cylinder: 1 }),
        sector({ head: 1, id: 2, state: 'bad-data', data: Uint8Array.of(9, 9, 9, 9) }),
        sector({ head: 1, id: 1, state: 'weak' }),
        sector({ id: 2, state: 'missing', data: null }),
        sector({}),
      ],
      0xee,
    )
    expect([...image.bytes]).toEqual([
      1, 2, 3, 4, 0xee, 0xee, 0xee, 0xee, 1, 2, 3, 4, 0xee, 0xee, 0xee, 0xee, 1, 2, 3, 4,
    ])
    expect(image.filled.map(f => [f.cylinder, f.head, f.id, f.offset, f.state])).toEqual([
      [0, 0, 2, 4, 'missing'],
      [0, 1, 2, 12, 'bad-data'],
    ])
    expect(imageMapCsv(image).rows[1]).toEqual([0, 0, 2, 4, 4, 'missing', 'filled'])
  })
  it('takes the best of several visits, and leaves out what has no number', () => {
    const image = diskImage([
      sector({ state: 'bad-data', data: Uint8Array.of(0, 0, 0, 0) }),
      sector({}),
      sector({ state: 'weak', data: Uint8Array.of(5, 5, 5, 5) }),
      sector({ id: -1, state: 'bad-header', data: null }),
    ])
    expect([...image.bytes]).toEqual([1, 2, 3, 4])
    expect(image.map).toHaveLength(1)
  })
})
