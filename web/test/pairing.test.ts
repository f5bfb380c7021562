import { describe, expect, it } from 'vitest'
import { isOwn, listening } from '../server/services/network'
import { PAIR_PAGE_POLICY, pairPage } from '../server/services/pair-page'
import { NotPaired, Pairing } from '../server/services/pairing'
import { workshop } from './helpers'

const T = Date.parse('2026-03-01T10:00:00Z')
const MINUTE = 60_000
const wrong = (run: () => unknown): NotPaired => {
  try {
    run()
  } catch (error) {
    if (error instanceof NotPaired) return error
  }
  throw new Error('it was let in')
}
/** A code that is not this one. */
const other = (code: string) => String((Number(code) + 1) % 1e8).padStart(8, '0')

describe('pairing', () => {
  it('a code of the own screen pairs one device, which keeps a token; what is kept here is not the token', async () => {
    const { db } = await workshop()
    const pairing = new Pairing(db)
    const { code } = pairing.current(T)
    expect(code).toMatch(/^\d{8}$/)
    const token = pairing.pair(`${code.slice(0, 4)} ${code.slice(4)}`, '  phone  ', T)
    expect(pairing.deviceOf(token, T)).toMatchObject({ name: 'phone' })
    expect(JSON.stringify(db.$client.prepare('select * from devices').all())).not.toContain(token)
    expect(wrong(() => pairing.pair(code, 'again', T)).message).toMatch(/not right, or too old/)
    expect(pairing.current(T).code).not.toBe(code)
    expect(pairing.deviceOf('0'.repeat(64), T)).toBeNull()
  })

  it('a code is good for ten minutes, and a forgotten device is a stranger', async () => {
    const { db } = await workshop()
    const pairing = new Pairing(db)
    const { code } = pairing.current(T)
    wrong(() => pairing.pair(code, 'late', T + 10 * MINUTE))
    const token = pairing.pair(pairing.current(T + 11 * MINUTE).code, 'phone', T + 12 * MINUTE)
    const [device] = pairing.list()
    expect(pairing.forget(device!.id)).toBe(true)
    expect(pairing.forget(device!.id)).toBe(false)
    expect(pairing.deviceOf(token)).toBeNull()
  })

  it('five wrong codes in a minute close the door for the rest of it, for the right code too', async () => {
    const { db } = await workshop()
    const pairing = new Pairing(db)
    const { code } = pairing.current(T)
    for (let i = 0; i < 5; i++) expect(wrong(() => pairing.pair(other(code), 'x', T + i)).tooMany).toBe(false)
    expect(wrong(() => pairing.pair(code, 'x', T + 10)).tooMany).toBe(true)
    expect(pairing.pair(code, 'x', T + MINUTE + 10)).toHaveLength(64)
  })

  it('after twenty wrong tries there is another code', async () => {
    const { db } = await workshop()
    const pairing = new Pairing(db)
    const { code } = pairing.current(T)
    for (let i = 0; i < 20; i++) wrong(() => pairing.pair(other(code), 'x', T + i * 13_000))
    wrong(() => pairing.pair(code, 'x', T + 9 * MINUTE))
    expect(pairing.current(T + 9 * MINUTE).code).not.toBe(code)
  })

  it('outlives a database that gives way to a backup: who was forgotten since stays a stranger', async () => {
    const [now, earlier] = [new Pairing((await workshop()).db), new Pairing((await workshop()).db)]
    const forgotten = earlier.pair(earlier.current(T).code, 'old phone', T)
    const token = now.pair(now.current(T).code, 'phone', T)
    earlier.replace(now.rows())
    expect(earlier.deviceOf(forgotten, T)).toBeNull()
    expect(earlier.deviceOf(token, T)).toMatchObject({ name: 'phone' })
  })

  it('notes when a device was here, not at each request', async () => {
    const { db } = await workshop()
    const pairing = new Pairing(db)
    const token = pairing.pair(pairing.current(T).code, 'phone', T)
    pairing.deviceOf(token, T + 30_000)
    expect(pairing.list()[0]!.seenAt).toBe('2026-03-01T10:00:00.000Z')
    pairing.deviceOf(token, T + 2 * MINUTE)
    expect(pairing.list()[0]!.seenAt).toBe('2026-03-01T10:02:00.000Z')
  })
})

describe('where the server listens', () => {
  it.each([undefined, '', '127.0.0.1', 'localhost', '::1'])('HOST %j: for this machine alone', HOST => {
    expect(listening({ HOST, PORT: '4170' }, ['192.168.1.5'])).toMatchObject({ open: false, own: [], port: 4170 })
  })
  it('any other address is open, and answers to its own addresses and the names that were said', () => {
    const all = listening({ HOST: '0.0.0.0', WOBRIN_HOSTS: 'bench.local, Shed' }, ['192.168.1.5', 'fd00::5'])
    expect(all.open).toBe(true)
    for (const name of ['127.0.0.1', '192.168.1.5', '[fd00::5]', 'bench.local', 'shed'])
      expect(all.names).toContain(name)
    expect(all.names).not.toContain('elsewhere.test')
    expect([...listening({ HOST: '192.168.1.5' }, ['10.0.0.1']).names]).not.toContain('10.0.0.1')
  })
  it('a request is this machine’s own by its connection, its name, and that nobody passed it on', () => {
    const from = (remoteAddress?: string, localAddress = '127.0.0.1') => ({ remoteAddress, localAddress })
    expect(isOwn(from('127.0.0.1'), 'localhost:4170', false)).toBe(true)
    expect(isOwn(from('::ffff:127.0.0.1'), '127.0.0.1:4170', false)).toBe(true)
    expect(isOwn(from('::1', '::1'), '[::1]:4170', false)).toBe(true)
    expect(isOwn(from('192.168.1.5', '::ffff:192.168.1.5'), '192.168.1.5:4170', false)).toBe(true)
    expect(isOwn(from('127.0.0.1'), 'localhost', true)).toBe(false)
    expect(isOwn(from('192.168.1.9', '192.168.1.5'), '192.168.1.5', false)).toBe(false)
    expect(isOwn(from('192.168.1.9', '192.168.1.5'), 'localhost', false)).toBe(false)
    expect(isOwn(from('192.168.1.5', '192.168.1.5'), 'bench.local', false)).toBe(false)
    expect(isOwn(from('127.0.0.1'), 'bench.local', false)).toBe(false)
    expect(isOwn(from(), 'localhost', false)).toBe(false)
  })
})

describe('the page before pairing', () => {
  it('takes digits from the address and nothing else, and allows no script', () => {
    const page = pairPage('1234"><script>alert(1)</script>5678999', 'A <b>problem</b>')
    expect(page).toContain('value="12341567"')
    expect(page).not.toMatch(/<script|<b>/)
    expect(PAIR_PAGE_POLICY).not.toMatch(/script-src|unsafe/)
  })
})
