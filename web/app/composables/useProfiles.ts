import { v4 as uuid } from 'uuid'
import { DRIVES, HOSTS, readProfile, type DriveProfile, type HostProfile } from '@wobrin/core/drives/hosts'
import type { KeptProfile } from '../../shared/profiles'

export interface Choosable<P> {
  readonly key: string
  readonly profile: P
  readonly own: boolean
}
type Kind = 'host' | 'drive'

/** Profiles of hosts and drives: those that ship, and those of this workshop, which can be changed. */
export function useProfiles() {
  const kept = useState<KeptProfile[]>('profiles', () => [])
  const load = async () => {
    kept.value = await $fetch<KeptProfile[]>('/api/profiles')
  }

  const choosable = <P extends HostProfile | DriveProfile>(
    shipped: readonly P[],
    format: P['format'],
  ): Choosable<P>[] => [
    ...kept.value
      .filter(k => k.profile.format === format)
      .map(k => ({ key: k.id, profile: k.profile as P, own: true })),
    ...shipped.map((profile, i) => ({ key: `shipped-${i + 1}`, profile, own: false })),
  ]
  const hosts = computed(() => choosable<HostProfile>(HOSTS, 'wobrin-host-profile'))
  const drives = computed(() => choosable<DriveProfile>(DRIVES, 'wobrin-drive-profile'))

  async function put(profile: HostProfile | DriveProfile, id: string = uuid()): Promise<string> {
    const before = kept.value.find(k => k.id === id)
    const headers = before ? ifMatch(before.profile) : {}
    try {
      await $fetch(`/api/profiles/${id}`, { method: 'PUT', retry: 2, body: profile, headers })
    } finally {
      await load()
    }
    return id
  }
  async function remove(id: string): Promise<void> {
    await $fetch(`/api/profiles/${id}`, { method: 'DELETE' })
    await load()
  }
  /** Reads a file and keeps it. @returns where it stands */
  async function open(file: File): Promise<{ kind: Kind; key: string }> {
    const profile = readProfile(await file.text(), file.name)
    return { kind: profile.format === 'wobrin-host-profile' ? 'host' : 'drive', key: await put(profile) }
  }
  const save = (profile: HostProfile | DriveProfile) =>
    saveText(`${fileSlug(profile.name, 'profile')}.json`, `${JSON.stringify(profile, null, 2)}\n`, 'application/json')

  return { hosts, drives, load, put, remove, open, save }
}
