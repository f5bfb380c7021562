import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { expect, openRecording, receive, recording, test } from './support'

const header = '$timescale 1 us $end\n$var wire 1 ! INDEX $end\n$enddefinitions $end\n'
const plain = (name: string, content: string | Buffer) => ({
  name,
  mimeType: 'application/octet-stream',
  buffer: Buffer.from(content),
})

test.describe('a file that cannot be used gets one sentence, and the page goes on working', () => {
  for (const [what, file, sentence] of [
    [
      'a photo',
      plain('drive.vcd', Buffer.from([0xff, 0xd8, 0xff, 0xe0, 0, 0])),
      'drive.vcd, byte 0: this looks like a JPEG picture; expected a VCD, CSV or WAV recording.',
    ],
    ['nothing', plain('empty.csv', ''), 'empty.csv, byte 0: the file is empty; expected a VCD, CSV or WAV recording.'],
    [
      'time running backwards',
      plain('back.vcd', `${header}#9 1!\n#3 0!\n`),
      'back.vcd, line 5, byte 75: time runs backwards from #9 to #3; expected time stamps that never decrease.',
    ],
    [
      'no edges',
      plain('flat.vcd', `${header}#0 1!\n#99999\n`),
      'flat.vcd: no channel changes its level; expected at least two pulses on one of the channels.',
    ],
    [
      'a gzip file cut short',
      plain('cut.vcd.gz', gzipSync(header + '#1 1!\n'.repeat(900)).subarray(0, 50)),
      'the gzip data is cut short; expected a whole gzip file.',
    ],
    [
      'a line without end',
      plain('long.csv', `Time (s),A\n0,1\n${'7'.repeat(1_000_000)}`),
      'a line is longer than 65536 characters',
    ],
  ] as const) {
    test(what, async ({ page }) => {
      await page.goto('/instruments/speed')
      await openRecording(page, file)
      await expect(page.getByTestId('problem')).toContainText(sentence)
      await expect(page.getByTestId('problem')).toContainText('Nothing was stored.')
      await openRecording(page, recording('good.vcd', { rpm: 300.2 }))
      await expect(page.getByTestId('call')).toContainText('Leave it')
      await expect(page.getByTestId('problem')).toBeHidden()
    })
  }
})

test('samples without a rate are read once the rate is given', async ({ page }) => {
  const rows = Array.from({ length: 20_000 }, (_, i) => (i % 200 < 4 ? '0' : '1')).join('\n')
  await page.goto('/instruments/speed')
  await openRecording(page, recording('good.vcd', { rpm: 309.3 }))
  await expect(page.getByTestId('rpm')).toContainText('309.3')
  await openRecording(page, plain('samples.csv', `INDEX\n${rows}\n`))
  await expect(page.getByTestId('problem')).toContainText('no time column and no sample rate')
  await expect(page.getByRole('heading', { name: /good\.vcd/ })).toBeVisible()
  await page.getByLabel('Samples a second').fill('1000')
  await page.getByRole('button', { name: 'Read it so' }).click()
  await expect(page.getByTestId('rpm')).toContainText('300.0')
})

test('reading a long file can be stopped, and the reading before stays', async ({ page }) => {
  await page.goto('/instruments/speed')
  await openRecording(page, recording('good.vcd', { rpm: 300.2 }))
  await expect(page.getByTestId('call')).toContainText('Leave it')
  await page.getByRole('button', { name: 'Close recording' }).click()
  // From disk, and so long that it would take the better part of a minute.
  const path = join(mkdtempSync(join(tmpdir(), 'wobrin-long-')), 'long.csv')
  writeFileSync(path, Buffer.concat([Buffer.from('; Samplerate: 1 MHz\nINDEX\n'), Buffer.alloc(240_000_000, '1\n')]))
  await page.getByTestId('recording').setInputFiles(path)
  await page.getByRole('button', { name: 'Stop reading' }).click()
  await expect(page.getByRole('button', { name: 'Stop reading' })).toBeHidden({ timeout: 60_000 })
  rmSync(path)
  await openRecording(page, recording('good.vcd', { rpm: 300.2 }))
  await expect(page.getByTestId('rpm')).toContainText('300.2')
})

test('the server refuses foreign pages, foreign names, and what is not valid, and changes nothing', async ({
  page,
  request,
  baseURL,
}) => {
  const before = (await (await request.get('/api/bench')).json()).lines.length
  const foreign = await request.post('/api/drives', {
    data: { tag: 'X-1', mechanism: '3in' },
    headers: { origin: 'http://elsewhere.example' },
  })
  expect([foreign.status(), foreign.headers()['content-type']]).toEqual([403, 'application/problem+json'])
  expect(
    (
      await request.post('/api/drives', {
        data: { tag: 'X-1', mechanism: '3in' },
        headers: { 'sec-fetch-site': 'cross-site' },
      })
    ).status(),
  ).toBe(403)
  expect((await request.get('/api/bench', { headers: { host: 'elsewhere.example' } })).status()).toBe(403)
  const invalid = await request.post('/api/drives', { data: { tag: 'X-1', mechanism: '9in' } })
  expect(invalid.status()).toBe(422)
  expect(await invalid.json()).toMatchObject({
    title: 'Not valid',
    detail: 'Choose the drive type.',
    where: { field: 'mechanism' },
  })
  expect((await request.get('/api/drives/00000000-0000-4000-8000-000000000000')).status()).toBe(404)
  const bad = await request.post(`/api/captures?name=${encodeURIComponent('../../evil.vcd')}`, {
    data: Buffer.from(header + '#0 1!\n'),
  })
  expect((await bad.json()).name).toBe('evil.vcd')
  expect((await (await request.get('/api/bench')).json()).lines.length).toBe(before)
  const response = await page.goto('/')
  const csp = response!.headers()['content-security-policy']
  expect(csp).toContain("default-src 'none'")
  expect(csp).not.toContain("script-src 'self' 'unsafe-inline'")
  expect(baseURL).toContain('127.0.0.1')
})

test('keys work on a drive and rest while typing', async ({ page }) => {
  await receive(page, '8in')
  await page.keyboard.press('Space')
  await expect(page.getByTestId('entry')).toHaveCount(2)
  await page.keyboard.press('z')
  await expect(page.getByTestId('entry').first()).toContainText('Taken back: See whether a disk is stuck in it')
  await expect(page.getByTestId('entry')).toHaveCount(3)
  await page.keyboard.press('8')
  await expect(page).toHaveURL(/station=speed/)
  await page.keyboard.press('-')
  await expect(page).toHaveURL(/station=release/)
  await page.keyboard.press('1')
  await page.keyboard.press('PageDown')
  await expect(page.getByTestId('entry')).toHaveCount(4)
  await page.keyboard.press('PageUp')
  await expect(page.getByTestId('entry').first()).toContainText('Taken back')
  await page.keyboard.press('n')
  await page.getByLabel('Note', { exact: true }).pressSequentially('b8zn? stays a note')
  await expect(page).toHaveURL(/station=receive/)
  await page.getByRole('button', { name: 'Save to log' }).click()
  await expect(page.getByTestId('entry').first()).toContainText('b8zn? stays a note')
  await page.keyboard.press('?')
  await expect(page.getByRole('heading', { name: 'By foot' })).toBeVisible()
  await page.keyboard.press('Escape')
  await page.keyboard.press('/')
  await expect(page.getByRole('combobox', { name: 'Find' })).toBeFocused()
  await page.keyboard.type('harbour logger own disks')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Fennick 40B')
  await page.keyboard.press('b')
  await expect(page).toHaveURL(/\/$/)
})

test('when the server is gone, the page says so and keeps what was typed', async ({ page }) => {
  await receive(page, '3in')
  await page.route('**/log', route => route.abort())
  await page.keyboard.press('n')
  await page.getByLabel('Note', { exact: true }).fill('Precious words')
  await page.getByRole('button', { name: 'Save to log' }).click()
  await expect(page.getByRole('alert')).toContainText('The server does not answer')
  await expect(page.getByLabel('Note', { exact: true })).toHaveValue('Precious words')
  await page.unroute('**/log')
  await page.getByRole('button', { name: 'Save to log' }).click()
  await expect(page.getByTestId('entry').first()).toContainText('Precious words')
})
