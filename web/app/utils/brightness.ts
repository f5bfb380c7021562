/** A square place in a picture: its middle and its side, as shares of the width; x and y of width and height. */
export interface Place {
  readonly x: number
  readonly y: number
  readonly side: number
}

/** The place is drawn so small that its mean is quickly taken; the whole picture beside it. */
const PLACE_PX = 12
const WIDE_PX = 32
const HIGH_PX = 24

type Canvas = HTMLCanvasElement | OffscreenCanvas
type Context = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D

/**
 * Takes the brightness (0 to 255) of a place and of the whole picture from frames.
 * @param canvas to draw on; it is made as small as needed
 */
export function brightnessReader(canvas: Canvas, { x, y, side }: Place) {
  canvas.width = PLACE_PX + WIDE_PX
  canvas.height = HIGH_PX
  const context = canvas.getContext('2d', { willReadFrequently: true }) as Context
  return (frame: CanvasImageSource, width: number, height: number) => {
    const size = Math.max(2, side * width)
    context.drawImage(frame, x * width - size / 2, y * height - size / 2, size, size, 0, 0, PLACE_PX, PLACE_PX)
    context.drawImage(frame, 0, 0, width, height, PLACE_PX, 0, WIDE_PX, HIGH_PX)
    return { place: meanOf(context, 0, PLACE_PX, PLACE_PX), picture: meanOf(context, PLACE_PX, WIDE_PX, HIGH_PX) }
  }
}

/** Mean brightness of a part of a canvas (ITU-R BT.601 weights, from memory). */
function meanOf(context: Context, left: number, width: number, height: number): number {
  const { data } = context.getImageData(left, 0, width, height)
  let sum = 0
  for (let i = 0; i < data.length; i += 4) sum += grey(data, i)
  return sum / (data.length / 4)
}

export const grey = (data: Uint8ClampedArray, i: number): number =>
  0.299 * data[i]! + 0.587 * data[i + 1]! + 0.114 * data[i + 2]!
