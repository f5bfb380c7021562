import { randomUUID } from 'node:crypto'
import sharp from 'sharp'
import type { Page } from '@playwright/test'
import { expect, openDrive, receive, test, toStations } from './support'

const entries = (page: Page) => page.getByTestId('entry')
const id = (page: Page) => /drives\/([^/?]+)/.exec(page.url())![1]!
const photo = (width: number, height: number) =>
  sharp({
    create: { width, height, channels: 3, background: '#567', noise: { type: 'gaussian', mean: 120, sigma: 12 } },
  })
    .jpeg({ quality: 80 })
    .toBuffer()
const sayOf = (page: Page, drive: string, body: object) =>
  page.request.post(`/api/drives/${drive}/log`, {
    data: { id: randomUUID(), at: new Date().toISOString(), station: 'look', ...body },
    // Many at once, on a machine that may stand still for a while: a connection that was kept is closed meanwhile.
    timeout: 120_000,
    maxRetries: 5,
  })
const say = (page: Page, body: object) => sayOf(page, id(page), body)

test('a finding is on the log in two keystrokes, with its consequence at once; where it is takes a third', async ({
  page,
}) => {
  await receive(page, '5.25in-48')
  await page.keyboard.press('2')
  await page.getByRole('button', { name: 'Look and smell along the board', exact: true }).click()
  await page.keyboard.press('f')
  await expect(page.getByRole('heading', { name: 'What did you find?' })).toBeVisible()
  await page.keyboard.press('2')
  await expect(entries(page).first()).toContainText('Smell: fish')
  const consequence = page.getByTestId('consequence')
  await expect(consequence).toContainText('leaked electrolyte; a capacitor check was added')
  await expect(consequence).toContainText('Added at Look: measure the capacitors that may have leaked.')
  await expect(
    page.getByRole('button', { name: 'Measure the capacitors that may have leaked', exact: true }),
  ).toBeVisible()

  // Now the corrosion, and where.
  await page.keyboard.press('f')
  await page.keyboard.press('2')
  await expect(entries(page).first()).toContainText('Corrosion: green or blue crust')
  await page.keyboard.press('1')
  await expect(entries(page).first()).toContainText('board near the capacitors')
  await expect(page.getByRole('dialog')).toBeHidden()

  // By search, from anywhere.
  await page.keyboard.press('f')
  await page.keyboard.type('lacquer broken')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('dialog')).toContainText('Someone moved it; alignment will need proof.')
  await page.getByRole('dialog').getByRole('button', { name: 'upper head screws' }).click()
  await expect(entries(page).first()).toContainText('Lacquer: broken, upper head screws')
  await page.keyboard.press('z')
  await expect(entries(page).first()).toContainText('Taken back: Lacquer')
})

test('a tap on a tile is an entry; a number is judged, an impossible one is said', async ({ page }) => {
  await receive(page, '3.5in')
  await page.keyboard.press('2')
  await page.locator('[data-finding="rattle.loose"]').click()
  await expect(entries(page).first()).toContainText('Tilted: something is loose')
  await expect(page.getByTestId('drive-call')).toContainText('Stop')
  await page.getByRole('button', { name: 'Measure the supply pins for shorts', exact: true }).click()
  await page.getByLabel('Lowest reading, Ω').fill('-4')
  await page.getByRole('button', { name: 'Judge it' }).click()
  await expect(page.getByRole('alert')).toContainText('Lowest reading is a number of Ω, 0 or more.')
  await page.getByLabel('Lowest reading, Ω').fill('2,5')
  await page.getByRole('button', { name: 'Judge it' }).click()
  await expect(entries(page).first()).toContainText('Supply pins: a short (2.5 Ω)')
  await expect(page.getByRole('button', { name: 'Find the shorted part', exact: true })).toBeVisible()
})

test('a closed gate says what is missing, is passed with a reason only, and the certificate carries it', async ({
  page,
}) => {
  await receive(page, '3in')
  await say(page, { kind: 'finding', finding: { finding: 'belt.goo' } })
  await page.reload()
  await expect(page.getByRole('navigation', { name: 'Stations' })).toBeVisible()
  await page.keyboard.press('7')
  const gate = page.getByTestId('gate')
  await expect(gate).toContainText('The safety gate first power is closed.')
  await expect(gate).toContainText('Belt: sticky, decayed. Power would wind the decayed rubber round the spindle.')
  await expect(gate).toContainText('Still needed: the capacitors were looked at and none leaks.')
  // Neither the key nor finishing the station gets past it.
  await page.keyboard.press('Space')
  await expect(page.getByRole('alert')).toContainText('the safety gate “First power” is closed')
  await page.getByRole('button', { name: /^Finish without/ }).click()
  await expect(page.getByRole('alert').last()).toContainText('is not done, and the safety gate “First power” is closed')

  // A finding is given where the gate asks for it.
  const missing = gate.getByRole('listitem')
  await expect(missing).toHaveCount(9 - 1)
  await missing.filter({ hasText: 'capacitors' }).getByRole('button', { name: 'Look' }).click()
  await page.getByRole('dialog').locator('[data-finding="caps.sound"]').click()
  await expect(missing).toHaveCount(7)

  await gate.getByRole('button', { name: /^Override gate…/ }).click()
  await page.getByLabel('Why it is right to go on').fill('because')
  await page.getByRole('button', { name: 'Override gate', exact: true }).click()
  await expect(page.getByRole('dialog').getByRole('alert')).toContainText('needs a written reason')
  await page.getByLabel('Why it is right to go on').fill('Motor unplugged; only the board is powered.')
  await page.getByRole('button', { name: 'Override gate', exact: true }).click()
  await expect(gate).toBeHidden()
  await page.goto(`/drives/${id(page)}/certificate`)
  await expect(page.getByText('Motor unplugged; only the board is powered.')).toBeVisible()
  await expect(page.getByText('the belt was looked at and will not wind up')).toBeVisible()
  const pdf = await (await page.request.get(`/api/drives/${id(page)}/certificate?format=pdf`)).body()
  expect(pdf.subarray(0, 5).toString()).toBe('%PDF-')
})

test('what is undone is marked on its photo and put back in reverse, each with its check', async ({ page }) => {
  await receive(page, '8in')
  await page.keyboard.press('3')
  const original = await photo(4000, 3000)
  await page.getByTestId('photo').setInputFiles({ name: 'board.jpg', mimeType: 'image/jpeg', buffer: original })
  const marks = page.getByTestId('photo-marks')
  await expect(marks.getByRole('img', { name: 'Photo' })).toBeVisible()
  expect(await marks.locator('img').evaluate((i: HTMLImageElement) => i.decode().then(() => i.naturalWidth))).toBe(2048)

  // Another one, dropped.
  const small = [...(await photo(640, 480))]
  const drop = await page.evaluateHandle(bytes => {
    const data = new DataTransfer()
    data.items.add(new File([new Uint8Array(bytes)], 'dropped.jpg', { type: 'image/jpeg' }))
    return data
  }, small)
  await page.getByRole('region', { name: 'As found' }).dispatchEvent('drop', { dataTransfer: drop })
  await expect(marks.locator('img')).toHaveJSProperty('naturalWidth', 640)
  await page
    .getByRole('button', { name: /^Photo, / })
    .first()
    .click()

  // A tap, then the arrow keys.
  await marks.click({ position: { x: 120, y: 60 } })
  await page.getByLabel('Which one').fill('50-pin data')
  await page.getByLabel('It is undone now').check()
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(marks.getByText('1', { exact: true })).toBeVisible()
  await marks.focus()
  for (const key of ['ArrowRight', 'ArrowDown', 'Enter']) await page.keyboard.press(key)
  await page.getByRole('button', { name: 'Loose part' }).click()
  await page.getByLabel('What it is', { exact: true }).fill('spring')
  await page.getByLabel('Where it lies now').fill('bag 3')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(marks.getByText('2', { exact: true })).toBeVisible()
  // A tie, without a photo, cut.
  await page.getByRole('button', { name: 'Write down without a photo' }).click()
  await page.getByRole('button', { name: 'Tie', exact: true }).click()
  await page.getByLabel('Where', { exact: true }).fill('loom')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await page.getByRole('tab', { name: /Written down \(3\)/ }).click()
  await page.getByRole('row', { name: /loom/ }).getByRole('button', { name: 'Cut' }).click()
  await page.getByRole('tab', { name: /Put back \(3 to go\)/ }).click()
  const list = page.getByRole('region', { name: 'Put-back list' })
  await expect(list.getByRole('listitem').locator('p:first-child')).toContainText([
    'Tie: loom',
    'Loose part: spring',
    'Connector: 50-pin data',
  ])
  await expect(list).toContainText('A new tie.')
  await expect(list).toContainText('It lies in bag 3.')
  await expect(list).toContainText('No. 1, connector 50-pin data: which end is pin 1 was never recorded.')
  await list.getByRole('button', { name: 'It is back' }).first().click()
  await expect(page.getByRole('tab', { name: /2 to go/ })).toBeVisible()
  await list.getByRole('button', { name: 'Left off' }).first().click()
  await page.getByLabel('Why it stays off').fill('The new lever has its own spring.')
  await page.getByRole('button', { name: 'Leave it off' }).click()
  await expect(list).toContainText('(left off)')
  await list.getByRole('button', { name: 'It is back' }).click()
  await expect(list).toContainText('Everything that was undone is settled.')
})

test('photos that are none, too large, or cut off are said in a sentence, and nothing is kept', async ({ page }) => {
  await receive(page, '3.5in')
  const send = async (name: string, buffer: Buffer) => {
    await page.getByTestId('photo').setInputFiles({ name, mimeType: 'image/jpeg', buffer })
  }
  await send('notes.jpg', Buffer.from('no picture'))
  await expect(page.getByRole('alert').last()).toContainText(
    'notes.jpg: this is no picture that can be read here; expected a JPEG, PNG, WebP, TIFF or GIF photo.',
  )
  await send('half.jpg', (await photo(1200, 900)).subarray(0, 40_000))
  await expect(page.getByRole('alert').last()).toContainText('half.jpg: the picture breaks off in the middle')
  await send(
    'bomb.png',
    await sharp({ create: { width: 11_000, height: 11_000, channels: 3, background: '#fff' } })
      .png()
      .toBuffer(),
  )
  await expect(page.getByRole('alert').last()).toContainText(
    'bomb.png: the picture has more pixels than are unpacked here; expected at most 100 megapixels.',
  )
  const huge = await page.request.post('/api/photos?name=huge.jpg', { data: Buffer.alloc(45 * 1024 ** 2) })
  expect([huge.status(), (await huge.json()).detail]).toEqual([
    413,
    'huge.jpg: the photo is larger than is kept; expected at most 40 MB.',
  ])
  await expect(entries(page)).toHaveCount(1)
  // The page goes on working.
  await send('good.jpg', await photo(600, 400))
  await expect(entries(page).first()).toContainText('Photo')
})

test('high voltage is acknowledged once a sitting before a step is done', async ({ page }) => {
  await page.goto('/drives/new')
  await page.locator('[data-kind="5.25in-48"]').click()
  await page.getByLabel('Tag', { exact: true }).fill(`T-${Date.now() % 10_000_000}`)
  await page.getByRole('checkbox', { name: /In one case with a picture tube/ }).check()
  await page.getByRole('button', { name: 'Receive it' }).click()
  await expect(page.getByRole('region', { name: 'What works' })).toBeVisible()
  await toStations(page)
  // A caution holds back only the step that it is about: what is done at Receive is not held.
  await expect(page.getByTestId('caution')).toBeHidden()
  await page.keyboard.press('3')
  await expect(page.getByTestId('caution')).toContainText('Leave it to qualified people; local rules prevail.')
  await page.keyboard.press('Space')
  await expect(page.getByRole('alert')).toContainText('a caution was not acknowledged in this sitting')
  await page.getByRole('button', { name: 'I have read this' }).click()
  // The other one, for mains, is asked for next; not this one again.
  await expect(page.getByTestId('caution')).toContainText('mains voltage')
  await page.getByRole('button', { name: 'I have read this' }).click()
  await expect(page.getByTestId('caution')).toBeHidden()
})

test('a wait holds the step that it gates, over a restart of the page, until it is over', async ({ page }) => {
  await receive(page, '3.5in')
  await page.keyboard.press('4')
  await page.keyboard.press('w')
  await page.getByRole('button', { name: /^Alcohol drying.*holds: Clean both heads/s }).click()
  await expect(page.getByRole('list', { name: 'Waiting' })).toContainText(
    'holds: clean both heads with the lightest touch',
  )
  await page.reload()
  await page.getByRole('button', { name: /^Clean both heads with the lightest touch/ }).click()
  await expect(page.getByTestId('held')).toContainText('Alcohol drying holds this step until')
  await page.keyboard.press('Space')
  await expect(page.getByRole('alert')).toContainText('“Alcohol drying” holds it for another')
  await page.getByRole('button', { name: 'End wait now' }).click()
  await expect(page.getByTestId('held')).toBeHidden()
})

test('worth it: the sum is shown, impossible numbers are said, and a disk with data comes first', async ({ page }) => {
  await receive(page, '3in')
  // However slowly this machine types, to the page it is one go: its clock stands while the fields are filled.
  await page.clock.install()
  await page.clock.pauseAt(Date.now() + 60_000)
  await page.getByLabel('Worth working').fill('80')
  await page.getByLabel('Worth as parts').fill('10')
  await page.getByLabel('Chance of success').fill('50')
  await page.getByLabel('Parts still to buy').fill('6')
  await page.clock.resume()
  await expect(page.getByTestId('worth')).toContainText('Go on.Going on brings 29')
  await expect(page.getByRole('row', { name: /Going on brings/ })).toContainText('29.00 €')
  // What was typed in one go is one entry.
  await expect(entries(page).first()).toContainText('account: parts 6, working 80, as parts 10, chance 0.5')
  await expect(entries(page)).toHaveCount(2)
  await page.getByLabel('Hours so far').fill('-3')
  await expect(page.getByRole('alert')).toContainText('Hours so far is a number, 0 or more.')
  await page.reload()
  await expect(page.getByLabel('Worth working')).toHaveValue('80')
  await expect(page.getByLabel('Hours so far')).toHaveValue('')
  await page.locator('[data-finding="disk.data"]').click()
  await expect(page.getByTestId('worth')).toContainText('Rescue the disk first')
})

test('the adviser answers by material, dirt, school and shelf, and starts the drying', async ({ page }) => {
  await receive(page, '3.5in')
  await page.keyboard.press('4')
  const advice = page.getByTestId('advice')
  await page.getByText('Alkaline crust from leakage').click()
  await page.getByText('Circuit board', { exact: true }).click()
  await expect(advice).toContainText('White vinegar on bare steel, circuit board')
  await expect(advice).toContainText('bare steel rusts under it: minutes only, then rinse and dry at once')
  await page.getByText('A thin grease on the screw').click()
  await expect(advice.getByRole('listitem').last()).toContainText('Silicone grease')
  await advice.getByRole('button', { name: 'dry 5 min' }).first().click()
  await page.getByRole('button', { name: 'Start it' }).click()
  await expect(entries(page).first()).toContainText('Waiting: White vinegar drying')
})

test('a finding that cannot be sent is said where it was entered, and is sent by trying again', async ({ page }) => {
  await receive(page, '3.5in')
  // Each time it arrives, and its answer is lost.
  await page.route('**/log', async route => {
    if (route.request().method() !== 'POST') return route.continue()
    await route.fetch()
    await route.abort()
  })
  await page.keyboard.press('f')
  await page.keyboard.press('1')
  await expect(page.getByRole('dialog').getByRole('alert')).toContainText('The server does not answer')
  await page.unroute('**/log')
  await page.keyboard.press('1')
  await expect(page.getByRole('dialog')).toBeHidden()
  await expect(entries(page).first()).toContainText('Disk inside: none in it')
  await expect(entries(page)).toHaveCount(2)
})

test('what one tablet says stands on the other without a reload; a lost answer adds nothing twice', async ({
  page,
  browser,
}) => {
  await receive(page, '3.5in')
  const other = await (await browser.newContext()).newPage()
  await other.goto(page.url())
  await expect(other.getByRole('navigation', { name: 'Stations' })).toBeVisible()
  let lost = 0
  await page.route('**/log', async route => {
    if (route.request().method() !== 'POST' || lost++) return route.continue()
    await route.fetch()
    await route.abort()
  })
  await page.locator('[data-finding="disk.none"]').click()
  await expect(entries(page).first()).toContainText('Disk inside: none in it')
  // The server's news may bring the entry before it is sent again.
  await expect.poll(() => lost).toBeGreaterThan(1)
  await expect(entries(other).first()).toContainText('Disk inside: none in it', { timeout: 60_000 })
  await expect(entries(other)).toHaveCount(2)
  await other.close()
})

test('a drive with two thousand entries draws only what is in sight, and still types', async ({ page }) => {
  await receive(page, '5.25in-48')
  const [drive, url] = [id(page), page.url()]
  // No page follows them one by one.
  await page.goto('about:blank')
  for (let i = 0; i < 2000; i += 40) {
    await Promise.all(
      Array.from({ length: 40 }, (_, k) =>
        sayOf(page, drive, {
          kind: 'note',
          title: `Note ${i + k}`,
          detail: 'What was seen, in a sentence or two of the usual length.',
        }),
      ),
    )
  }
  await page.goto(url)
  await expect(entries(page).first()).toContainText('Note')
  expect(await entries(page).count()).toBeLessThan(60)
  const box = page.getByRole('region', { name: 'Entries, newest first' })
  // Heights are only known once drawn, so the end moves away a little while it is being reached.
  await expect(async () => {
    await box.evaluate(e => {
      e.scrollTop = e.scrollHeight
    })
    await expect(entries(page).last()).toContainText('Does not read.', { timeout: 300 })
  }).toPass()
  expect(await entries(page).count()).toBeLessThan(60)
  await page.keyboard.press('n')
  await page.getByLabel('Note', { exact: true }).pressSequentially('typed among two thousand', { delay: 0 })
  await page.getByRole('button', { name: 'Save to log' }).click()
  await box.evaluate(e => {
    e.scrollTop = 0
  })
  await expect(entries(page).first()).toContainText('typed among two thousand')
})

test('the demo has a loose pin recorded and a gate that a finding keeps closed', async ({ page }) => {
  await openDrive(page, 'SK-11')
  await page.keyboard.press('3')
  await expect(
    page.getByRole('listitem').filter({ hasText: 'Loose part: write-protect pin, bag 11, taped to the drive' }),
  ).toBeVisible()
  await page.getByRole('tab', { name: /Put back/ }).click()
  await expect(page.getByRole('region', { name: 'Put-back list' }).getByRole('listitem').first()).toContainText(
    'write-protect pin',
  )
  await openDrive(page, 'SK-17')
  await page.keyboard.press('7')
  await expect(page.getByTestId('gate')).toContainText('Capacitors: leaking.')
})
