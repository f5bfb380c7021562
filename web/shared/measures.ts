import { object } from 'yup'

/** Measures that were typed; which there are, and what they may be, core says. */
export const measuresSchema = () =>
  object()
    .default(() => ({}))
    .test(
      'plain',
      'A measure is a number or a few words.',
      value =>
        Object.entries(value ?? {}).length <= 20 &&
        Object.entries(value ?? {}).every(
          ([key, v]) => key.length <= 20 && (typeof v === 'number' || (typeof v === 'string' && v.length <= 80)),
        ),
    )
