import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Page } from '@playwright/test'
import { practiceDrive } from '../../core/src/simulator/rig'
import { serve } from '../../scripts/serve.mjs'
import { expect, test } from './support'

/** Counts what a person does: a tap, a key, a word typed. */
class Person {
  done = 0
  constructor(private readonly page: Page) {}

  async tap(name: string | RegExp): Promise<void> {
    this.done++
    await this.page.getByRole('button', { name }).first().click()
  }
  async key(key: string): Promise<void> {
    this.done++
    await this.page.keyboard.press(key)
  }
  async type(label: string, words: string): Promise<void> {
    this.done++
    await this.page.getByLabel(label).fill(words)
  }
  async kind(id: string): Promise<void> {
    this.done++
    await this.page.locator(`[data-kind="${id}"]`).click()
  }
  async check(): Promise<void> {
    this.done++
    await this.page.getByRole('checkbox').check()
  }
  /** Answers what is asked next, when it is the check that is expected. */
  async answer(asked: RegExp, answer: RegExp): Promise<void> {
    await expect(this.page.getByTestId('next-check')).toContainText(asked)
    await this.tap(answer)
  }
  /** Makes the safety looks of both gates before checks, all of them fine. */
  async looks(): Promise<void> {
    await this.key('s')
    await this.check()
    await this.tap(/^All fine/)
    await expect(this.page.getByRole('dialog').getByRole('listitem')).toHaveCount(1)
    await this.tap('Its own host’s keyed plug')
    await expect(this.page.getByRole('dialog')).toContainText('Safety looks: a disk in')
    await this.tap(/^All fine/)
    await expect(this.page.getByRole('dialog')).toHaveCount(0)
  }
}

test('from “Receive a drive” to the first useful advice in at most six interactions', async ({ page }) => {
  const person = new Person(page)
  await page.goto('/')
  await page.getByRole('link', { name: 'Receive a drive' }).click()
  person.done++
  await person.kind('3.5in')
  await person.type('What does it do wrong?', 'does not come out')
  await person.tap('A disk does not come out')
  await person.tap('Receive it')
  await expect(page.getByTestId('next-check')).toBeVisible()
  await expect(page.getByTestId('suspects').getByRole('listitem').first()).toContainText('%')
  expect(person.done).toBeLessThanOrEqual(6)
})

test('a drive that ran yesterday and has dirty heads: at most twelve interactions to “gone”', async ({ page }) => {
  const person = new Person(page)
  await page.goto('/drives/new')
  await person.kind('3.5in')
  await person.tap('It is recognised, it turns, and reads no disk at all')
  await person.tap('Receive it')
  await expect(page.getByTestId('next-check')).toContainText('Make the safety looks')
  await person.looks()
  // Whoever suspects the heads opens them on the map, and takes the check that stands there.
  await person.tap(/^Lower head: /)
  await person.tap('After cleaning, a swab over the heads comes away')
  await person.answer(/a swab over the heads comes away/, /^Brown/)
  await person.answer(/Clean the heads/, /^It works now/)
  await expect(page.getByTestId('closed')).toContainText(/Cause: the (?:lower|upper) head is dirty/)
  expect(person.done).toBeLessThanOrEqual(12)
})

test('a drive with two faults: both are found, one after the other', async ({ page }) => {
  const person = new Person(page)
  await page.goto('/drives/new')
  await person.kind('3.5in-eject')
  await person.tap('A disk does not come out')
  await person.tap('Receive it')
  await person.answer(/eject gearbox/, /^Teeth missing/)
  await expect(page.getByTestId('call')).toContainText('Teeth of an eject gear are stripped')
  // The first cure changes nothing: the second fault is asked for.
  await person.tap(/^No change/)
  await expect(page.getByTestId('suspects').getByRole('listitem').first()).not.toContainText('Teeth of an eject gear')
  await expect(page.getByTestId('next-check')).toBeVisible()
  expect(person.done).toBeLessThanOrEqual(6)
})

test('a drive beyond repair: torn heads stop it at the sheet, before any disk', async ({ page }) => {
  const person = new Person(page)
  await page.goto('/drives/new')
  await person.kind('5.25in-48')
  await person.tap('It is recognised, it turns, and reads no disk at all')
  await person.tap('Receive it')
  await expect(page.getByTestId('next-check')).toContainText('Make the safety looks')
  await person.key('s')
  await person.check()
  await person.tap(/^All fine/)
  // The looks are written one after the other; the supply is what is left.
  await expect(page.getByRole('dialog').getByRole('listitem')).toHaveCount(1)
  await person.tap('Its own host’s keyed plug')
  const sheet = page.getByRole('dialog', { name: /a disk in/ })
  await sheet
    .getByRole('listitem')
    .filter({ hasText: 'Are the heads intact?' })
    .getByRole('button', { name: 'Not fine…' })
    .click()
  person.done++
  await person.tap(/One torn off or hanging/)
  await page.keyboard.press('Escape')
  await expect(page.getByTestId('drive-call')).toContainText('Stop')
  const drive = page.url().match(/drives\/([0-9a-f-]{36})/)![1]!
  const { next } = await (await page.request.get('/api/bench')).json()
  expect(next.find((n: { driveId: string }) => n.driveId === drive).title).toMatch(/head/i)
  expect(person.done).toBeLessThanOrEqual(9)
})

test('not sure which type it is: a few looks name it, and say what must not be taken for granted', async ({ page }) => {
  await page.goto('/drives/new')
  await page.getByRole('button', { name: /Not sure/ }).click()
  const finder = page.getByRole('dialog')
  await finder.getByRole('button', { name: 'About 136 mm' }).click()
  await finder.getByRole('button', { name: 'A lever or door' }).click()
  await finder.getByRole('button', { name: '34 contacts on the edge of the board' }).click()
  await expect(finder.getByTestId('kinds')).toContainText('look alike')
  await finder.getByRole('button', { name: 'Choose type' }).first().click()
  await expect(page.getByRole('radio', { checked: true })).toContainText('5.25-inch, 48 tpi')
})

test('an empty workshop offers four doors; a practice drive answers by its physics until it is cured', async ({
  page,
}) => {
  test.setTimeout(240_000)
  const data = mkdtempSync(join(tmpdir(), 'wobrin-first-'))
  const { child, address } = await serve({ port: 4184, host: '127.0.0.1', data })
  try {
    // A browser without the watch of the other tests: this server has its own address.
    const own = await (await page.context().browser()!.newContext()).newPage()
    await own.goto(address)
    const doors = own.getByRole('region', { name: 'Ways to begin' })
    await expect(doors.getByRole('link')).toHaveCount(3)
    // Nothing is on file, and still no instrument opens empty.
    for (const id of ['blame', 'read-test', 'write-test', 'sweep', 'speed', 'reading']) {
      await own.goto(`${address}/instruments/${id}`)
      await expect(own.getByRole('region', { name: 'Worked example' })).toBeVisible()
    }
    await own.goto(address)
    await doors.getByRole('button', { name: /Practise/ }).click()
    await expect(own.getByRole('region', { name: 'What works' })).toBeVisible()
    await expect(own.getByTestId('suspects').getByRole('listitem').first()).toContainText('%')

    // One of a known number: its hub slips, and it turns unevenly.
    const { mechanism, complaints } = practiceDrive(11)
    const received = await own.request.post(`${address}/api/drives`, {
      data: { tag: 'P-1', mechanism, complaints, simulated: true, practice: 11 },
    })
    await own.goto(`${address}/drives/${(await received.json()).id}`)
    const next = own.getByTestId('next-check')
    await expect(next).toBeVisible()
    await own.keyboard.press('s')
    await own.getByRole('dialog').getByRole('checkbox').check()
    await own.getByRole('button', { name: /^All fine/ }).click()
    await own.getByRole('button', { name: 'Its own host’s keyed plug' }).click()
    await expect(own.getByRole('dialog')).toContainText('Safety looks: a disk in')
    await own.getByRole('button', { name: /^All fine/ }).click()
    await expect(own.getByRole('dialog')).toHaveCount(0)
    const entries = async () =>
      ((await (await own.request.get(own.url().replace('/drives/', '/api/drives/'))).json()) as { log: unknown[] }).log
        .length
    for (let i = 0; i < 25 && (await own.getByTestId('closed').count()) === 0; i++) {
      const before = await entries()
      if ((await next.textContent())?.includes('Try it again')) await own.keyboard.press('1')
      else await own.keyboard.press('t')
      await expect
        .poll(async () => (await entries()) > before || (await own.getByText('cannot answer this check').count()) > 0)
        .toBe(true)
      // While an answer is on its way nothing else can be answered.
      await expect(own.locator('[aria-busy=true]')).toHaveCount(0)
    }
    await own.getByTestId('closed').getByRole('button', { name: 'Show the hidden faults' }).click()
    await expect(own.getByTestId('closed')).toContainText(/Hidden in it: .*(?:hub|clamp)/i)
    await own.close()
  } finally {
    child.kill()
    rmSync(data, { recursive: true, force: true })
  }
})
