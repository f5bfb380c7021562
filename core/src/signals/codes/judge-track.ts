import type { Call, Observation } from '../../base/observations'
import { formatName } from './formats'
import { STATES, type MergedSector } from './merge-turns'
import type { ReadTrack } from './read-track'

/**
 * Margin below which a read hangs with very low timing margin, and below which it is uneasy. With Gaussian jitter
 * the worst
 * hundredth lies at 2.6
 * deviations; a sector of 512 bytes has some 2 800 transitions, whose worst lies at 3.5: at a margin of 1 − 2.6/3.5,
 * a quarter, every
 * other sector fails.
 */
export const THREAD = 0.3
export const UNEASY = 0.4

/** How well one track reads, as observations and a call. */
export function judgeTrack(
  track: ReadTrack,
  sectors: readonly MergedSector[],
): { readonly call: Call; readonly observations: readonly Observation[] } {
  const own = sectors.filter(s => s.state !== 'foreign')
  const good = own.filter(s => s.state === 'good').length
  const amiss = own.filter(s => s.state !== 'good')
  const percent = (x: number) => `${(x * 100).toFixed(0)} %`
  const observations: Observation[] = [
    {
      key: 'read.sectors',
      label: 'Sectors read',
      value: good,
      unit: '',
      how: `of ${own.length}, ${formatName(track.format)}`,
    },
    {
      key: 'read.margin',
      label: 'Timing margin left',
      value: Number((track.margin * 100).toFixed(1)),
      unit: '%',
      how: '1st percentile over the bits of the sectors',
    },
    {
      key: 'read.rate',
      label: 'Rate off nominal',
      value: Number((track.rateOff * 100).toFixed(2)),
      unit: '%',
      how: 'as the separator followed it',
    },
  ]
  return { call: callOf(), observations }

  function callOf(): Call {
    const foreign = sectors.length - own.length
    if (foreign)
      return {
        kind: 'unknown',
        reasons: [
          `${foreign} ${foreign === 1 ? 'header names' : 'headers name'} another cylinder: a neighbour track is picked up.`,
          'That is misalignment, of this drive or of the one that wrote the disk.',
        ],
        next: 'Read a reference disk before anything is turned.',
      }
    if (amiss.length) {
      const list = amiss.map(s => `${s.sector < 0 ? 'one' : s.sector} (${STATES[s.state].label})`).join(', ')
      return {
        kind: 'unknown',
        reasons: [
          `${amiss.length} of ${own.length} sectors did not read without error every time: ${list}.`,
          `The margin left is ${percent(track.margin)}.`,
        ],
        next: 'Clean the head and read again; then suspect the disk before the drive.',
      }
    }
    if (track.margin < THREAD)
      return {
        kind: 'mend',
        reasons: [`All ${own.length} sectors read, but with a very low timing margin: ${percent(track.margin)}.`],
        next: 'Clean the head, look at the speed, then read another disk.',
      }
    if (track.margin < UNEASY)
      return {
        kind: 'unknown',
        reasons: [`All ${own.length} sectors read, with a low timing margin: ${percent(track.margin)}.`],
        next: 'Read the same disk in a verified drive, to tell disk from drive.',
      }
    return {
      kind: 'leave',
      reasons: [`All ${own.length} sectors read, with a timing margin of ${percent(track.margin)}.`],
      next: 'Read the inner cylinders: margins are least there.',
    }
  }
}
