import Papa from 'papaparse'
import { InputError, LimitError } from '../../base/errors'
import { median } from '../../base/numbers'

/** What was seen of a film: how bright one place of the picture was in each frame, and the whole picture beside it. */
export interface Frames {
  /** When each frame was taken, s, rising. */
  readonly timesS: Float64Array
  /** Mean brightness of the place, and of the whole picture; 0 to 255. */
  readonly place: Float64Array
  readonly picture: Float64Array
}

/** More frames than this are another kind of film. */
export const MOST_FRAMES = 200_000
const HEADING = ['time s', 'place', 'picture']

/** Frames as a CSV table that anything can read. */
export function writeFrames({ timesS, place, picture }: Frames): string {
  const rows = Array.from(timesS, (t, i) => [t.toFixed(6), place[i]!.toFixed(3), picture[i]!.toFixed(3)].join(','))
  return [HEADING.join(','), ...rows, ''].join('\n')
}

/**
 * Reads frames from the table that `writeFrames` makes.
 * @throws InputError, LimitError with the line
 */
export function readFrames(text: string, file: string): Frames {
  const rows = Papa.parse<string[]>(text, { skipEmptyLines: true }).data
  const heading = rows[0]?.map(h => h.trim().toLowerCase()) ?? []
  if (HEADING.some((h, i) => heading[i] !== h))
    throw new InputError('its first line does not name the columns', `“${HEADING.join(',')}”`, { file, line: 1 })
  const body = rows.slice(1)
  if (body.length < 2) throw new InputError(`it holds ${body.length} frames`, 'at least two', { file })
  if (body.length > MOST_FRAMES)
    throw new LimitError(`it holds ${body.length} frames`, `at most ${MOST_FRAMES}`, { file })
  const columns = HEADING.map((name, c) =>
    Float64Array.from(body, (row, i) => {
      const x = Number(row[c]?.trim() || Number.NaN)
      if (Number.isFinite(x)) return x
      throw new InputError(`“${row[c] ?? ''}” is not a number`, 'a number', { file, line: i + 2, field: name })
    }),
  )
  const [timesS, place, picture] = columns as [Float64Array, Float64Array, Float64Array]
  const back = timesS.findIndex((t, i) => i > 0 && t <= timesS[i - 1]!)
  if (back > 0)
    throw new InputError('its times do not rise', 'each frame later than the one before', { file, line: back + 2 })
  return { timesS, place, picture }
}

/** How the frames of a film follow each other. */
export interface FrameRate {
  readonly perSecond: number
  /** Frames that are missing between others. */
  readonly missing: number
  /** Whether they come unevenly. */
  readonly uneven: boolean
}

/** A frame is missing where the next comes so many times later than usual. */
const LATE = 1.6
/** Frames come unevenly where so many of their distances differ by a tenth from the usual one. */
const UNEVEN_SHARE = 0.05

export function frameRate({ timesS }: Pick<Frames, 'timesS'>): FrameRate {
  const apart = Float64Array.from(timesS.subarray(1), (t, i) => t - timesS[i]!)
  const usual = median(apart)
  let [missing, odd] = [0, 0]
  for (const d of apart) {
    if (d > LATE * usual) missing += Math.round(d / usual) - 1
    else if (Math.abs(d / usual - 1) > 0.1) odd++
  }
  const spanS = timesS.at(-1)! - timesS[0]!
  return { perSecond: (apart.length + missing) / spanS, missing, uneven: odd > UNEVEN_SHARE * apart.length }
}
