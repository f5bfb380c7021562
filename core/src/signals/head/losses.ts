/**
 * What a head loses by distance, by angle and by standing beside its track: the published formulas of magnetic
 * recording.
 * All return the share of the amplitude that is left, 0 to 1.
 */

/**
 * Wavelength on the disk, µm: two transitions make one.
 * @param fluxPerRadian transitions per radian
 * @param radiusMm of the track
 */
export const wavelengthUm = (fluxPerRadian: number, radiusMm: number): number => (2 * radiusMm * 1000) / fluxPerRadian

/**
 * Left at a distance between head and medium: 54.6 dB for each wavelength (Wallace, Bell System Technical Journal 30,
 * 1951).
 */
export const afterSpacing = (distanceUm: number, wavelength: number): number =>
  10 ** ((-54.6 * distanceUm) / wavelength / 20)

/**
 * Left when gap and recorded line are at an angle: sin x / x with x = π w tan α / λ.
 * @param widthUm of the track that is read
 * @param arcMin of the angle
 */
export function afterAzimuth(widthUm: number, arcMin: number, wavelength: number): number {
  const x = (Math.PI * widthUm * Math.tan(((arcMin / 60) * Math.PI) / 180)) / wavelength
  return x === 0 ? 1 : Math.abs(Math.sin(x) / x)
}

/** What a head of a width finds of a track of a width beside whose middle it stands, and of the neighbour. */
export interface OffTrack {
  /** Share of the full amplitude of its own track. */
  readonly own: number
  /** Share of the full amplitude of the next track on that side. */
  readonly neighbour: number
}

/** Overlap of head and track across the disk; the amplitude grows with it (uniform track, sharp edges). */
export function offTrack(offsetUm: number, headUm: number, trackUm: number, pitchUm: number): OffTrack {
  const overlap = (middle: number) =>
    Math.max(0, Math.min(headUm / 2, middle + trackUm / 2) - Math.max(-headUm / 2, middle - trackUm / 2))
  const full = Math.min(headUm, trackUm)
  const d = Math.abs(offsetUm)
  return { own: overlap(-d) / full, neighbour: overlap(pitchUm - d) / full }
}

/** Something written across the disk: its middle, µm towards the hub of where its cylinder should be, and its width. */
export interface Strip {
  readonly radialUm: number
  readonly trackUm: number
}

/**
 * What a head finds of what was written before and not covered by what was written over it: a narrow track over a
 * wide one, or one beside the other. As a share of the new track's full amplitude, to which it is noise; more than 1
 * where more of the old is under the head.
 * @param clearedUm width in which nothing of the old is left: the new track, and what erase heads clear beside it
 */
export function residue(
  headAtUm: number,
  headUm: number,
  under: Strip,
  over: Strip,
  clearedUm: number = over.trackUm,
): number {
  const [from, to] = [headAtUm - headUm / 2, headAtUm + headUm / 2]
  const [low, high] = [under.radialUm - under.trackUm / 2, under.radialUm + under.trackUm / 2]
  const [newLow, newHigh] = [over.radialUm - clearedUm / 2, over.radialUm + clearedUm / 2]
  const within = (a: number, b: number) => Math.max(0, Math.min(b, to) - Math.max(a, from))
  return (within(low, Math.min(high, newLow)) + within(Math.max(low, newHigh), high)) / Math.min(headUm, over.trackUm)
}
