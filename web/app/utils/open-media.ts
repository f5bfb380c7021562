/** What is taken from the surroundings, as a sentence names it. */
export type MediaKind = 'sound input' | 'camera'

const INSTEAD: Readonly<Record<MediaKind, { readonly allow: string; readonly open: string }>> = {
  'sound input': { allow: 'microphone', open: 'a WAV recording' },
  camera: { allow: 'camera', open: 'a film' },
}

/** Where a browser keeps microphone and camera from pages that come over a network unprotected. */
export const NEEDS_TLS =
  'A browser gives its microphone and camera only to pages of its own machine, or over TLS. Open a recording instead.'

/** Why nothing comes, in a sentence. */
export function mediaProblem(kind: MediaKind, error: unknown): string {
  const { allow, open } = INSTEAD[kind]
  const { name, message } = error as Error
  switch (name) {
    case 'NotAllowedError':
      return `The browser may not use the ${kind}. Allow the ${allow} for this page, then start again.`
    case 'NotFoundError':
      return `This device has no ${kind}. Connect one, or open ${open}.`
    case 'NotReadableError':
      return `Another program holds the ${kind}. Close that program, then start again.`
    case 'OverconstrainedError':
      return `The chosen ${kind} is gone. Choose another one.`
    default:
      return message === NEEDS_TLS ? message : `The ${kind} did not start: ${message}`
  }
}

/** @throws what `mediaProblem` puts into words */
export async function openMedia(wanted: MediaStreamConstraints): Promise<MediaStream> {
  if (!navigator.mediaDevices) throw new Error(NEEDS_TLS)
  return navigator.mediaDevices.getUserMedia(wanted)
}

/** Devices of a kind; their names are known only once one of them was opened. */
export const mediaDevices = async (kind: MediaDeviceKind): Promise<MediaDeviceInfo[]> =>
  (await navigator.mediaDevices.enumerateDevices()).filter(d => d.kind === kind)

/** Lets microphone or camera go. */
export function closeMedia(stream: MediaStream | null): void {
  for (const track of stream?.getTracks() ?? []) track.stop()
}
