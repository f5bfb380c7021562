import { join } from 'node:path'
import sharp from 'sharp'
import { noise } from '../../core/test/noise'
import { filmFile, soundFile, withDevices } from './fake-devices'
import { expect, receive, test } from './support'

const FILM = join(import.meta.dirname, '../../core/test/fixtures/films/mark-60.webm')

/** A pulse a revolution, in a little hum and noise. */
function marks(rpm: number): string {
  const random = noise(3)
  return soundFile(`marks-${rpm}.wav`, 40, t => {
    const since = t % (60 / rpm)
    return 0.5 * Math.exp(-since / 0.0012) + 0.02 * Math.sin(2 * Math.PI * 50 * t) + 0.01 * random()
  })
}

test('a mark through the sound input is judged as it comes, and saved with its recording', async ({ baseURL }) => {
  await withDevices(baseURL!, { sound: marks(307.5) }, async page => {
    await receive(page, '5.25in-48')
    await page.keyboard.press('8')
    await page.getByRole('button', { name: 'Sound input' }).click()
    const sound = page.getByTestId('sound')
    await expect(sound).toContainText('Recording the sound input')
    await expect(sound).toContainText('Loud enough.')
    const rpm = page.getByTestId('rpm')
    await expect(rpm).toContainText(/^307\.[45]\d* ?± 0\.\d+/)
    // It goes on: the reading becomes surer.
    await expect(page.getByTestId('call').first()).toContainText('fast')
    await expect
      .poll(async () => Number(/input(\d+) s/.exec((await sound.textContent()) ?? '')?.[1] ?? 0))
      .toBeGreaterThan(8)

    // The same sound, listened to for what comes once a revolution.
    await sound.getByLabel('Listen for').selectOption('rub')
    await expect(rpm).toContainText(/^307\.[45]\d* ?± 0\./)
    await expect(rpm).toContainText('from a recording')
    await sound.getByLabel('Listen for').selectOption('marks')
    await expect(page.getByTestId('call').first()).toContainText('fast')
    await page.getByRole('button', { name: 'Save to log' }).first().click()
    const log = page.getByRole('region', { name: 'Log' })
    await expect(log.getByText(/307\.[45]\d* ± /).first()).toBeVisible()

    await sound.getByRole('button', { name: 'Stop recording' }).click()
    await expect(sound).toContainText('Sound input is off')
    await page.getByRole('button', { name: 'Close sound input' }).click()
    await expect(sound).toBeHidden()
  })
})

test('a sound input that is silent, pulled out, forbidden or not there is said to be', async ({ page, baseURL }) => {
  // This browser has no sound input.
  await page.goto('/instruments/speed')
  await page.getByRole('button', { name: 'Sound input' }).click()
  await expect(page.getByText(/no sound input|may not use the sound input/)).toBeVisible()
  // A page that comes unprotected over a network is given none.
  await page.addInitScript(() => Object.defineProperty(navigator, 'mediaDevices', { value: undefined }))
  await page.goto('/instruments/speed')
  await page.getByRole('button', { name: 'Sound input' }).click()
  await expect(page.getByText('over TLS')).toBeVisible()

  await withDevices(baseURL!, { sound: soundFile('silence.wav', 20, () => 0) }, async quiet => {
    await quiet.addInitScript(() => {
      const devices = navigator.mediaDevices
      const own = devices.getUserMedia.bind(devices)
      devices.getUserMedia = async wanted => {
        const stream = await own(wanted)
        Object.assign(window, { given: stream })
        return stream
      }
    })
    await quiet.goto('/instruments/speed')
    await quiet.getByRole('button', { name: 'Sound input' }).click()
    await expect(quiet.getByTestId('sound')).toContainText('Silent.')
    await expect(quiet.getByRole('button', { name: /^Save to/ })).toHaveCount(0)
    await quiet.evaluate(() => {
      const { given } = window as unknown as { given: MediaStream }
      given.getTracks()[0]!.dispatchEvent(new Event('ended'))
    })
    await expect(quiet.getByText('pulled out')).toBeVisible()
    await expect(quiet.getByTestId('sound')).toContainText('Sound input is off')
  })
})

test('steps are counted by their sound, live and from a file, and put on a log', async ({ page, baseURL }) => {
  const random = noise(5)
  // Seeks of twelve steps, one every 8 ms, half a second apart; each step rings for two milliseconds.
  const seeks = soundFile('seeks.wav', 24, t => {
    const inSeek = (t + 0.3) % 0.6
    const since = inSeek < 12 * 0.008 ? inSeek % 0.008 : 1
    return 0.3 * Math.exp(-since / 0.0015) * Math.sin(2 * Math.PI * 2900 * since) + 0.004 * random()
  })
  await withDevices(baseURL!, { sound: seeks }, async own => {
    await own.goto('/instruments/listen')
    await own.getByLabel('Steps of each seek').fill('12')
    await own.getByRole('button', { name: 'Start sound input' }).click()
    await expect(own.getByTestId('sound')).toContainText('Recording')
    await expect(own.getByTestId('seeks').locator('tbody tr').nth(2)).toContainText('12')
    await expect(own.getByTestId('seeks').locator('tbody tr').nth(2)).toContainText(/8\.0\d ms/)
  })

  await receive(page, '5.25in-48')
  const id = page.url().split('/drives/')[1]!.slice(0, 36)
  await page.goto(`/instruments/listen?drive=${id}`)
  await page.getByLabel('Steps of each seek').fill('12')
  await page.getByTestId('sound-file').setInputFiles(seeks)
  await expect(page.getByTestId('call')).toContainText('sound like 12 steps')
  await page.getByRole('button', { name: 'Save to log' }).click()
  await expect(page.getByText('On the log, with its recording.')).toBeVisible()
  await page.getByRole('link', { name: 'Back to the drive' }).click()
  await expect(page.getByText('Steps heard in a seek: 12 steps').first()).toBeVisible()
  // What holds no sound is refused, and what was there stays.
  await page.goto('/instruments/listen')
  await page
    .getByTestId('sound-file')
    .setInputFiles({ name: 'a.wav', mimeType: 'audio/wav', buffer: Buffer.from('RIFF') })
  await expect(page.getByText(/a\.wav/).first()).toBeVisible()
})

test('a film of a mark gives the speed, which goes on a drive’s log with its frames', async ({ page }) => {
  await receive(page, '5.25in-48')
  const id = page.url().split('/drives/')[1]!.slice(0, 36)
  await page.goto(`/instruments/camera?drive=${id}`)
  await page.getByTestId('film').setInputFiles(FILM)
  // In the middle of the wheel nothing passes, or little does; where the mark is, it does.
  const picture = page.getByTestId('picture')
  await expect(page.getByText(/12\d\d frames, 60\.0 a second/)).toBeVisible()
  const box = (await picture.boundingBox())!
  await page.mouse.click(box.x + 0.81 * box.width, box.y + 0.5 * box.height)
  await expect(page.getByTestId('rpm')).toContainText(/^301\.[67]\d* ?± 0\./)
  // The keys move the place as well, and the film is read there.
  await picture.focus()
  await page.keyboard.press('ArrowUp')
  await expect(page.getByTestId('rpm')).toContainText(/^301\.[67]\d* ?± 0\./)
  await page.getByRole('button', { name: 'Save to log' }).click()
  await expect(page.getByText('with the brightness of each frame')).toBeVisible()
  await page.getByRole('link', { name: 'Back to the drive' }).click()
  await expect(page.getByText(/301\.[67]\d* ± /).first()).toBeVisible()
})

test('a camera gives the speed while it looks, and says when it is not there', async ({ page, baseURL }) => {
  await page.goto('/instruments/camera')
  await page.getByRole('button', { name: 'Start camera' }).click()
  await expect(page.getByText(/no camera|may not use the camera/)).toBeVisible()
  await page.getByTestId('film').setInputFiles({ name: 'no-film.mp4', mimeType: 'video/mp4', buffer: Buffer.from('x') })
  await expect(page.getByText('no-film.mp4 is not a film')).toBeVisible()

  await withDevices(baseURL!, { film: filmFile('wheel.y4m', 30, 297) }, async own => {
    await own.goto('/instruments/camera')
    await own.getByRole('button', { name: 'Start camera' }).click()
    await expect(own.getByText('Camera is on')).toBeVisible()
    await expect(own.getByText(/frames, \d+\.\d a second/)).toBeVisible()
    const box = (await own.getByTestId('picture').boundingBox())!
    await own.mouse.click(box.x + 0.8 * box.width, box.y + 0.5 * box.height)
    // A busy machine leaves frames out; the times of the others still give the speed.
    await expect(own.getByTestId('rpm')).toContainText(/^29[67]\.\d/)
    await own.getByRole('button', { name: 'Across the bench' }).click()
    await expect(own.getByTestId('across')).toContainText(/29[67]\.\d/)
    await own.keyboard.press('PageUp')
    await own.getByRole('button', { name: 'Stop camera' }).click()
    await expect(own.getByText('Camera is on')).toBeHidden()
  })
})

test('an infrared LED that glows in one of two pictures is ringed, and dark is only said of a camera that sees it', async ({
  page,
}) => {
  const picture = (seed: number, lit: boolean) => {
    const random = noise(seed)
    const [width, height] = [640, 480]
    const raw = Buffer.alloc(width * height)
    for (let i = 0; i < raw.length; i++) {
      const [dx, dy] = [(i % width) - 480, Math.floor(i / width) - 150]
      raw[i] = Math.min(255, 20 + 6 * random() + (lit ? 160 * Math.exp(-(dx * dx + dy * dy) / 90) : 0))
    }
    const image = sharp(raw, { raw: { width, height, channels: 1 } })
    return image.png().toBuffer()
  }
  const open = async (which: 'off' | 'on', buffer: Buffer) =>
    page.getByTestId(`picture-${which}`).setInputFiles({ name: `${which}.png`, mimeType: 'image/png', buffer })
  await receive(page, '5.25in-48')
  const id = page.url().split('/drives/')[1]!.slice(0, 36)
  await page.goto(`/instruments/camera?drive=${id}`)
  await page.getByLabel('Look for').selectOption('glow')
  await open('off', await picture(1, false))
  await open('on', await picture(2, false))
  const glow = page.getByTestId('glow')
  await expect(glow.getByTestId('call')).toContainText('remote control')
  await expect(glow.getByRole('button', { name: /^Save/ })).toHaveCount(0)
  await glow.getByLabel('This camera shows the light').check()
  await expect(glow.getByRole('button', { name: 'Save “dark” to log' })).toBeVisible()

  await open('on', await picture(3, true))
  await expect(glow.getByTestId('call')).toContainText('A spot glows')
  const ring = glow.locator('figure circle')
  expect(Number(await ring.getAttribute('cx'))).toBeCloseTo(75, -0.5)
  expect(Number(await ring.getAttribute('cy'))).toBeCloseTo(31, -0.5)
  await glow.getByRole('button', { name: 'Save “glows” to log' }).click()
  await expect(page.getByText('On the log.')).toBeVisible()
})
