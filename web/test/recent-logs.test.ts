import { describe, expect, it } from 'vitest'
import { logEntries } from '../server/database/schema'
import { RecentLogs } from '../server/services/recent-logs'
import { newDrive, note, uuid, workshop } from './helpers'

const numbered = (driveId: string, n: number) => note(driveId, uuid(n), { title: `note ${n}` })

describe('logs kept at hand', () => {
  const opened = async () => {
    const { db, drives } = await workshop()
    const { id } = drives.receive(newDrive(), '2026-03-01T09:00:00Z')
    return { db, drives, id, recent: new RecentLogs(db) }
  }

  it('hold what was added since they were read', async () => {
    const { drives, id, recent } = await opened()
    drives.append(numbered(id, 1))
    expect(recent.of(id)).toHaveLength(2)
    drives.append(numbered(id, 2))
    drives.append(numbered(id, 3))
    expect(recent.of(id).map(e => e.title)).toEqual(['Received', 'note 1', 'note 2', 'note 3'])
  })

  it('are read anew where what was read is not there any more', async () => {
    const { db, drives, id, recent } = await opened()
    const undone = (n: number) => () =>
      db.transaction(tx => {
        tx.insert(logEntries).values(numbered(id, n)).run()
        recent.of(id)
        throw new Error('undone')
      })
    expect(undone(1)).toThrow('undone')
    expect(recent.of(id).map(e => e.title)).toEqual(['Received'])
    expect(undone(2)).toThrow('undone')
    drives.append(numbered(id, 3))
    expect(recent.of(id).map(e => e.title)).toEqual(['Received', 'note 3'])
  })

  it('are given as a list of one’s own', async () => {
    const { id, recent } = await opened()
    recent.of(id).pop()
    expect(recent.of(id)).toHaveLength(1)
  })
})
