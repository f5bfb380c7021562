/** Longest side of a kept photo, in pixels. */
const LONGEST = 2048

/**
 * A smaller JPEG of a photo, drawn anew, so that nothing of the camera's metadata comes along.
 * @throws Error with a sentence where the file is no picture that this browser can read
 */
export async function shrinkPhoto(file: File): Promise<{ file: File, width: number, height: number }> {
  const picture = await createImageBitmap(file).catch(() => {
    throw new Error(`${file.name} is not a picture that can be read here; expected a JPEG, PNG or WebP photo.`)
  })
  const scale = Math.min(1, LONGEST / Math.max(picture.width, picture.height))
  const canvas = new OffscreenCanvas(Math.max(1, Math.round(picture.width * scale)), Math.max(1, Math.round(picture.height * scale)))
  canvas.getContext('2d')!.drawImage(picture, 0, 0, canvas.width, canvas.height)
  picture.close()
  const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.86 })
  return { file: new File([blob], 'photo.jpg', { type: 'image/jpeg' }), width: canvas.width, height: canvas.height }
}
