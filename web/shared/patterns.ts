/** What ids are: made by the client, as UUIDs. */
export const UUID = /^[0-9a-f-]{36}$/

/** What a file that is named by its contents is called. */
export const SHA_256 = /^[0-9a-f]{64}$/

/** A moment, ISO 8601 in UTC. */
export const INSTANT = /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(?:\.\d+)?Z$/

/** Whether a day or a moment exists: the thirteenth month and the thirtieth of February do not. */
export const dateExists = (value: string | null | undefined): boolean =>
  value === undefined ||
  value === null ||
  (!Number.isNaN(Date.parse(value)) && new Date(value).toISOString().slice(0, 10) === value.slice(0, 10))
