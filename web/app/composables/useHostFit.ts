import { judgeFit } from '@wobrin/core/bench/host-fit'
import type { Cable, DriveProfile, HostProfile } from '@wobrin/core/drives/hosts'
import type { LogEntry } from '@wobrin/core/log'

export interface FitStart {
  readonly host: HostProfile
  readonly drive: DriveProfile
  readonly cable: Cable
}

/** A host and a drive put together: worked out at once, kept with a drive when asked. */
export function useHostFit(start: FitStart | null) {
  const profiles = useProfiles()
  const host = ref('shipped-1')
  const drive = ref('shipped-1')
  const cable = ref<Cable>(start?.cable ?? 'straight')
  // What was kept with the drive is worked with as it was then, whatever became of its profile since.
  const asKept = computed(() =>
    start
      ? {
          hosts: [{ key: 'kept', profile: start.host, own: false }],
          drives: [{ key: 'kept', profile: start.drive, own: false }],
        }
      : { hosts: [], drives: [] },
  )
  const hosts = computed(() => [...asKept.value.hosts, ...profiles.hosts.value])
  const drives = computed(() => [...asKept.value.drives, ...profiles.drives.value])
  if (start) host.value = drive.value = 'kept'

  const chosenHost = computed(() => hosts.value.find(h => h.key === host.value) ?? hosts.value[0]!)
  const chosenDrive = computed(() => drives.value.find(d => d.key === drive.value) ?? drives.value[0]!)
  const fit = computed(() => judgeFit(chosenHost.value.profile, chosenDrive.value.profile, cable.value))

  const { post } = useLogPost()
  const keep = (driveId: string): Promise<LogEntry> =>
    post(driveId, 'host-fit', {
      host: chosenHost.value.profile,
      drive: chosenDrive.value.profile,
      cable: cable.value,
    })
  return { profiles, host, drive, cable, hosts, drives, chosenHost, chosenDrive, fit, keep }
}
