import type { APIRequestContext } from '@playwright/test'
import { sealOf } from '../../core/src/log'
import { expect, recording, test } from './support'

/** The problem document that an answer holds, with its status. */
async function problem(answer: Awaited<ReturnType<APIRequestContext['get']>>) {
  expect(answer.headers()['content-type']).toBe('application/problem+json')
  const body = (await answer.json()) as { status: number; title: string; detail: string; where?: object }
  expect(body.status).toBe(answer.status())
  expect(body.detail).not.toContain('\n')
  return body
}

const uuid = () => crypto.randomUUID()
const now = () => new Date().toISOString()

test('every refusal is a problem document with one sentence (RFC 9457)', async ({ request }) => {
  const drive = await (
    await request.post('/api/drives', { data: { tag: `A-${Date.now() % 1e7}`, mechanism: '3in' } })
  ).json()
  const at = `/api/drives/${drive.id}`
  const cases: [Awaited<ReturnType<APIRequestContext['get']>>, number, string][] = [
    [await request.get('/api/drives/nobody'), 404, 'There is no such drive on the bench.'],
    [await request.get(`${at}/speed/nothing`), 404, 'There is no such entry on this drive’s log.'],
    [await request.post('/api/drives', { data: [] }), 422, 'the request has no JSON body'],
    [
      await request.post('/api/drives', { data: 'no JSON', headers: { 'content-type': 'application/json' } }),
      422,
      'the request has no JSON body',
    ],
    [await request.post('/api/drives', { data: { tag: drive.tag, mechanism: '3in' } }), 422, 'is on another drive'],
    [await request.post('/api/drives', { data: { tag: 'X', mechanism: '3in', colour: 'red' } }), 422, 'colour'],
    [
      await request.patch(at, { data: { pulleys: { motorPulleyMm: 0, flywheelMm: 3 } } }),
      422,
      'The motor pulley is above 0 mm.',
    ],
    [
      await request.post(`${at}/log`, { data: { id: 'x', at: now(), kind: 'note', station: 'look', title: 'T' } }),
      422,
      'An entry’s id is a UUID.',
    ],
    [
      await request.post(`${at}/log`, {
        data: { id: uuid(), at: now(), kind: 'measurement', station: 'speed', title: '300 r/min' },
      }),
      422,
      'kind',
    ],
    [
      await request.post(`${at}/log`, {
        data: { id: uuid(), at: now(), kind: 'released', station: 'release', title: 'Released' },
      }),
      422,
      'the release does not say how',
    ],
    [
      await request.post(`${at}/log`, {
        data: { id: uuid(), at: now(), kind: 'note', station: 'look', title: 'T', detail: 'x'.repeat(300_000) },
      }),
      413,
      'larger than anything that is asked for here',
    ],
    [
      await request.post(`${at}/speed`, { data: { id: uuid(), at: now(), captureSha: '0'.repeat(64) } }),
      422,
      'there is no such recording',
    ],
    [await request.post('/api/captures', { data: Buffer.from('x') }), 422, 'the recording has no name'],
    [await request.post('/api/captures?name=a.vcd', { data: Buffer.alloc(0) }), 422, 'a.vcd: the recording is empty'],
    [await request.get(`/api/captures/${'0'.repeat(64)}`), 422, 'there is no such recording'],
    [await request.get('/api/strobe-disc?rings=fast'), 422, 'rings "fast"; expected such as 300@50,300@60.'],
    [
      await request.get('/api/strobe-disc?rings=300@50&diameter=5000'),
      422,
      'a disc of 5000 mm; expected 20 to 280 mm.',
    ],
    [await request.put('/api/workshop', { data: { mainsHz: 55 } }), 422, 'Mains frequency is 50 or 60 Hz.'],
  ]
  for (const [answer, status, sentence] of cases) {
    const body = await problem(answer)
    expect(body.detail).toContain(sentence)
    expect([body.status, sentence]).toEqual([status, sentence])
  }
  expect((await (await request.get(at)).json()).log).toHaveLength(1)
})

test('a measurement cannot be had without its recording, and is the same however often it is sent', async ({
  request,
}) => {
  const drive = await (
    await request.post('/api/drives', { data: { tag: `B-${Date.now() % 1e7}`, mechanism: '5.25in-48' } })
  ).json()
  const { sha } = await (
    await request.post('/api/captures?name=a.vcd', { data: recording('a.vcd', { rpm: 309.3 }).buffer })
  ).json()
  const body = { id: uuid(), at: now(), captureSha: sha, rpm: 300 }
  expect((await problem(await request.post(`/api/drives/${drive.id}/speed`, { data: body }))).detail).toContain('rpm')
  const { rpm: _, ...honest } = body
  const first = await (await request.post(`/api/drives/${drive.id}/speed`, { data: honest })).json()
  expect(await (await request.post(`/api/drives/${drive.id}/speed`, { data: honest })).json()).toEqual(first)
  expect(first.data.rpm).toBeCloseTo(309.3, 1)
  expect((await (await request.get(`/api/drives/${drive.id}`)).json()).log).toHaveLength(2)
  const drawn = await (await request.get(`/api/drives/${drive.id}/speed/${first.id}`)).json()
  expect(drawn.rpm.mean).toBe(first.data.rpm)
  expect(drawn.series.rpm.length).toBe(drawn.series.timeS.length)
})

test('every answer says what it is, is shown in no other page, and recordings come as files', async ({
  request,
  baseURL,
}) => {
  const { sha } = await (
    await request.post('/api/captures?name=page.csv', { data: Buffer.from('<script>alert(1)</script>') })
  ).json()
  for (const path of [
    '/',
    '/api/health',
    '/api/bench',
    '/api/nothing',
    `/api/captures/${sha}`,
    '/api/schemas/certificate',
    '/icon.svg',
  ]) {
    const headers = (await request.get(path)).headers()
    expect([path, headers['x-content-type-options'], headers['x-frame-options'], headers['referrer-policy']]).toEqual([
      path,
      'nosniff',
      'DENY',
      'no-referrer',
    ])
  }
  expect((await request.get(`/api/captures/${sha}`)).headers()['content-disposition']).toMatch(/^attachment/)
  expect((await request.get('/')).headers()['content-security-policy']).toContain("default-src 'none'")
  // Changes from another page, or under another name, are refused on every route that changes something.
  for (const path of [
    '/api/workshop/import',
    '/api/workshop/backups',
    '/api/certificates/check',
    '/api/drives',
    '/api/captures?name=x',
  ]) {
    expect(
      (await request.post(path, { data: '{}', headers: { origin: 'http://elsewhere.example' } })).status(),
      path,
    ).toBe(403)
  }
  expect((await request.get('/api/bench', { headers: { host: 'elsewhere.example' } })).status()).toBe(403)
  expect(baseURL).toContain('127.0.0.1')
})

test('what is too large is refused before it is read', async ({ request }) => {
  const huge = (path: string, bytes: number) =>
    request.post(path, { data: Buffer.alloc(bytes, 'x'), headers: { 'content-type': 'application/octet-stream' } })
  expect((await problem(await huge('/api/certificates/check', 5 * 1024 * 1024))).detail).toContain('at most 4 MB')
  expect((await problem(await huge('/api/photos?name=a.jpg', 41 * 1024 * 1024))).detail).toContain('at most 40 MB')
  expect((await problem(await huge('/api/workshop/import', 1000))).detail).toContain('no ZIP')
})

test('a strobe disc comes as SVG in millimetres or as PDF at its true size', async ({ request }) => {
  const svg = await request.get('/api/strobe-disc?rings=300@50,300@60&diameter=80&hole=20')
  expect(svg.headers()['content-type']).toContain('image/svg+xml')
  expect(await svg.text()).toMatch(/^<svg [^>]*width="126mm"/)
  const pdf = await request.get('/api/strobe-disc?rings=300@50&format=pdf')
  expect(pdf.headers()['content-type']).toBe('application/pdf')
  expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-')
})

test('whoever replaces what somebody else replaced meanwhile is told, and sent again it goes through', async ({
  request,
}) => {
  const seal = (value: unknown) => ({ 'if-match': `"${sealOf(value)}"` })
  const settings = (await (await request.get('/api/workshop')).json()) as Record<string, unknown>
  const first = await request.put('/api/workshop', { data: { ...settings, currency: 'FIR' }, headers: seal(settings) })
  expect(first.status()).toBe(200)
  const second = await request.put('/api/workshop', { data: { ...settings, currency: 'SEC' }, headers: seal(settings) })
  expect(second.status()).toBe(412)
  expect(second.headers()['content-type']).toContain('application/problem+json')
  expect((await second.json()).detail).toBe(
    'Somebody else changed the settings meanwhile. Nothing was saved; save again to replace it.',
  )
  // The first one sent again, as its answer was lost, is no change.
  const again = await request.put('/api/workshop', { data: { ...settings, currency: 'FIR' }, headers: seal(settings) })
  expect(again.status()).toBe(200)
  const now = await (await request.get('/api/workshop')).json()
  expect(now.currency).toBe('FIR')
  expect((await request.put('/api/workshop', { data: settings, headers: seal(now) })).status()).toBe(200)

  const path = `/api/belts/${crypto.randomUUID()}`
  const belt = { name: 'Drawer 9', insideMm: 300, sectionMm: 1.2, material: 'square', origin: '', gone: null }
  const kept = await (await request.put(path, { data: belt })).json()
  expect((await request.put(path, { data: { ...belt, gone: 'used' }, headers: seal(kept) })).status()).toBe(200)
  expect((await request.put(path, { data: { ...belt, name: 'Drawer 8' }, headers: seal(kept) })).status()).toBe(412)
})
