import { STATIONS } from '@wobrin/core/bench/stations'

/** Share of the way at which a station stands, %: eleven columns, each at its middle. */
export const stationAt = (index: number): string => `${((index + 0.5) / STATIONS.length) * 100}%`
