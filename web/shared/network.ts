/** A device that may use this workshop. */
export interface PairedDevice {
  readonly id: string
  readonly name: string
  readonly pairedAt: string
  readonly seenAt: string
}

export interface PairingCode {
  /** Eight digits. */
  readonly code: string
  /** Until when it is good. */
  readonly until: string
}

/** Who can see the workshop. */
export interface NetworkState {
  /** Whether it is served to other devices at all. */
  readonly open: boolean
  /** Whether who asks sits at the machine that the server runs on. */
  readonly own: boolean
  /** Whether what goes through the network is encrypted. */
  readonly encrypted: boolean
  /** Addresses at which other devices find it. */
  readonly addresses: readonly string[]
  readonly devices: number
}

/** What only the machine's own screen shows. */
export interface PairingOffer extends PairingCode {
  /** Address with the code in it, and the same as a picture for a camera. */
  readonly url: string
  readonly picture: string
}
