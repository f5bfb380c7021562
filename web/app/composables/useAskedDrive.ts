import type { DriveFacts, LogEntry } from '@wobrin/core/log'

/** The drive that an instrument was opened for, by the address of its page; nulls where it stands alone. */
export async function useAskedDrive() {
  const route = useRoute()
  const notices = useNotices()
  const driveId = typeof route.query.drive === 'string' ? route.query.drive : null
  const drive = shallowRef<DriveFacts | null>(null)
  if (driveId) {
    const got = await $fetch<{ drive: DriveFacts; log: LogEntry[] }>(`/api/drives/${driveId}`).catch(error => {
      notices.problem(problemText(error))
      return null
    })
    drive.value = got?.drive ?? null
  }
  return { driveId, drive }
}
