import { SOURCE_IDS, type Call, type SourceId } from '../base/observations'
import { sealOf } from '../log'
import { CERTIFICATE_VERSION } from './certificate-version'
import type { Certificate } from './schema'
import { asNumbered, logUpTo, type OwnEntry } from './log-as-written'
import { logHead } from './seal'

/** From this version on every measurement has its source, and the log is sealed with it. */
const FIRST_WITH_SOURCES = 3

/** Sources of the measurements of a certificate, each once; none where it is no certificate or an older one. */
export function certificateSources(json: unknown): SourceId[] {
  const list = (json as Partial<Certificate> | null)?.measurements
  const sources = Array.isArray(list) ? list.map(m => m?.source) : []
  return SOURCE_IDS.filter(s => sources.includes(s))
}

export interface CheckedCertificate {
  readonly state: 'whole' | 'changed' | 'log differs' | 'no certificate' | 'newer'
  readonly call: Call
  readonly tag: string | null
}

/**
 * Whether a certificate is as it was issued: its own hash, and, where the drive's log is at hand, whether the log
 * still has the entries
 * that it was made from.
 * @param json what was read of a file, of any kind
 * @param log finds the log of a drive by its tag; null where there is none
 */
export function checkCertificate(
  json: unknown,
  log: (tag: string) => readonly OwnEntry[] | null = () => null,
): CheckedCertificate {
  if (typeof json !== 'object' || json === null || !('format' in json) || json.format !== 'wobrin-certificate') {
    return {
      state: 'no certificate',
      tag: null,
      call: {
        kind: 'unknown',
        reasons: ['This is not a certificate of ours: it does not say so in “format”.'],
        next: 'Choose the JSON file of a certificate.',
      },
    }
  }
  const version = 'version' in json ? json.version : undefined
  if (typeof version === 'number' && version > CERTIFICATE_VERSION)
    return {
      state: 'newer',
      tag: null,
      call: {
        kind: 'unknown',
        reasons: [`It is of version ${version}; this application knows up to ${CERTIFICATE_VERSION}.`],
        next: 'Check it with a newer one.',
      },
    }
  const { hash, ...content } = json as { hash?: unknown } & Partial<Certificate>
  const tag = typeof content.drive?.tag === 'string' ? content.drive.tag : null
  if (typeof hash !== 'string' || hash !== sealOf(content))
    return {
      state: 'changed',
      tag,
      call: {
        kind: 'stop',
        reasons: [
          typeof hash === 'string'
            ? 'It was changed after it was issued: its contents do not fit its hash.'
            : 'It has no hash: anybody may have written it.',
        ],
        next: 'Believe nothing in it; ask the workshop for it again.',
      },
    }
  // Entries had another form then, so that their seals cannot be compared with today's.
  if (typeof version !== 'number' || version < FIRST_WITH_SOURCES)
    return {
      state: 'whole',
      tag,
      call: {
        kind: 'leave',
        reasons: ['It is as it was issued.', 'It is of an earlier version, whose seals of the log cannot be compared.'],
        next: 'Issue it again from the log, where the drive is in this workshop.',
      },
    }
  const head = content.logHead
  const own = tag ? log(tag) : null
  if (own && head) {
    const part = logUpTo(own, head)
    // What was erased since cannot be sealed again as it was.
    if (part?.some(e => e.link?.erased))
      return {
        state: 'whole',
        tag,
        call: {
          kind: 'unknown',
          reasons: [
            'It is as it was issued.',
            `Words or photos of the log of ${tag} were erased since, so that the log cannot be compared.`,
          ],
          next: 'Issue it again from the log.',
        },
      }
    if (!part || logHead(asNumbered(part)).hash !== head.hash)
      return {
        state: 'log differs',
        tag,
        call: {
          kind: 'stop',
          reasons: [`It is unchanged, but the log of ${tag} here does not have the entries that it was made from.`],
          next: 'One of both is another drive’s, or was restored from elsewhere: compare them.',
        },
      }
    const since = own.length - part.length
    return {
      state: 'whole',
      tag,
      call: {
        kind: 'leave',
        reasons: [
          `It is as it was issued, and the log of ${tag} has every entry that it was made from${since ? `; ${since} ${since === 1 ? 'entry has' : 'entries have'} come since` : ''}.`,
        ],
        next: since ? 'Issue it again if what came since matters.' : 'Believe it as far as it goes.',
      },
    }
  }
  return {
    state: 'whole',
    tag,
    call: {
      kind: 'leave',
      reasons: ['It is as it was issued.', 'Its drive is not in this workshop, so its log was not compared.'],
      next: 'Believe it as far as it goes.',
    },
  }
}
