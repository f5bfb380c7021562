import { readTestEntry } from '@wobrin/core/bench/entries'
import { railBars, surfaceOfRaw, totalsOf, type LineMapping, type RawTrack } from '@wobrin/core/instruments/interface'
import { ParameterError } from '@wobrin/core/base/errors'
import { isMechanismId } from '@wobrin/core/drives'
import type { LogEntry } from '@wobrin/core/log'
import { CODE_IDS, type TrackCode } from '@wobrin/core/signals/codes'
import { DRIVE_STORIES, readSurface, SimulatedDrive, STORY_SEED, wholeSurface } from '@wobrin/core/simulator'
import type { ReadTestInput } from '../../shared/read-test'
import type { CaptureStore } from './capture-store'
import type { DriveService } from './drives'
import type { SurfaceAnswer, SurfaceRequest } from './judge-file'

/**
 * Reads kept recordings of the interface, or the stand-in, and puts the surface on the log. No answer comes from
 * outside.
 */
export class ReadTestService {
  constructor(
    private readonly drives: DriveService,
    private readonly store: CaptureStore,
    private readonly judge: (request: SurfaceRequest) => Promise<SurfaceAnswer>,
    private readonly trusts: (disk: string) => boolean,
  ) {}

  /** @throws InputError where the recording cannot be used; nothing is put on the log then */
  async measure(driveId: string, input: ReadTestInput): Promise<LogEntry> {
    const drive = this.drives.get(driveId)
    const sent = this.drives.sent(input.id, drive.id)
    if (sent) return sent
    const kept = input.captureSha ? this.store.find(input.captureSha) : null
    const bus = {
      mapping: input.mapping as LineMapping,
      inverted: input.inverted,
      code: input.code as TrackCode | 'auto',
      context: { trustedDisk: input.disk ? this.trusts(input.disk) : input.trusted },
    }
    const surface = kept
      ? await this.judge({ path: this.store.path(kept.sha), name: kept.name, bus })
      : await simulated(input)
    const code = input.code === 'auto' ? 'auto' : CODE_IDS[input.code as TrackCode]
    return this.drives.append(
      readTestEntry(
        {
          ...input,
          recording: kept,
          simulated: kept ? null : { mechanism: input.simulated!.mechanism, story: input.simulated!.story },
          read: kept
            ? { mapping: { ...surface.mapping }, inverted: input.inverted, code, trusted: input.trusted }
            : null,
        },
        drive,
        surface,
      ),
    )
  }
}

/**
 * The stand-in read again here: the same seed gives the same surface. Between tracks the server goes on with other
 * work.
 */
async function simulated(input: ReadTestInput): Promise<SurfaceAnswer> {
  const story = DRIVE_STORIES.find(s => s.id === input.simulated?.story)
  if (!story || !isMechanismId(input.simulated!.mechanism))
    throw new ParameterError('there is neither a recording nor a simulated drive', 'one of both', {
      field: 'captureSha',
    })
  const drive = new SimulatedDrive(story.of(input.simulated!.mechanism, STORY_SEED))
  const raw: RawTrack[] = []
  const run = readSurface(drive, wholeSurface(drive))
  for (let step = run.next(); !step.done; step = run.next()) {
    raw.push(step.value.track)
    await new Promise(resolve => setImmediate(resolve))
  }
  const { tracks, facts, call, observations } = surfaceOfRaw(raw, { trustedDisk: true })
  const { good, bad, missing } = totalsOf(tracks)
  return { call, observations, bars: railBars(tracks), facts, good, sectors: good + bad + missing, mapping: {} }
}
