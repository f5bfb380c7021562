import { randomBytes, randomInt, randomUUID } from 'node:crypto'
import { desc, eq } from 'drizzle-orm'
import type { PairedDevice, PairingCode } from '../../shared/network'
import { devices } from '../database/schema'
import { machineSha } from './linked-entries'
import type { Db } from '../database/db'

/** A code is good for so long, and for one device. */
const CODE_MS = 10 * 60_000
const CODE_DIGITS = 8
/** Wrong tries within a minute after which nobody may try for the rest of it. */
const MOST_TRIES = 5
const MINUTE_MS = 60_000
/** After so many wrong tries a code is given up. */
const TRIES_OF_A_CODE = 20
/** How often it is noted that a device was here. */
const SEEN_EVERY_MS = MINUTE_MS

/** Why a device was not paired, in a sentence. */
export class NotPaired extends Error {
  override readonly name = 'NotPaired'
  constructor(
    message: string,
    readonly tooMany = false,
  ) {
    super(message)
  }
}

/**
 * Devices in the network that may use this workshop. Each was paired by a code that only the machine's own screen
 * shows, and keeps a token, of which only the hash is here.
 */
export class Pairing {
  private code: { readonly digits: string; readonly until: number; tries: number } | null = null
  private wrong: number[] = []

  constructor(private readonly db: Db) {}

  /** The code of now; a new one where it is spent or too old. @param now milliseconds */
  current(now = Date.now()): PairingCode {
    if (!this.code || this.code.until <= now || this.code.tries >= TRIES_OF_A_CODE)
      this.code = {
        digits: String(randomInt(10 ** CODE_DIGITS)).padStart(CODE_DIGITS, '0'),
        until: now + CODE_MS,
        tries: 0,
      }
    return { code: this.code.digits, until: new Date(this.code.until).toISOString() }
  }

  /**
   * Pairs a device. @param name as it calls itself @returns the token that it keeps
   * @throws NotPaired where the code is wrong, too old or spent, or too many tries were made
   */
  pair(code: string, name: string, now = Date.now()): string {
    this.wrong = this.wrong.filter(at => at > now - MINUTE_MS)
    if (this.wrong.length >= MOST_TRIES)
      throw new NotPaired('There were too many wrong codes. Wait a minute, then try again.', true)
    const right = this.code !== null && this.code.until > now && this.code.tries < TRIES_OF_A_CODE
    if (!right || !same(code.replace(/\s/g, ''), this.code!.digits)) {
      this.wrong.push(now)
      if (this.code) this.code.tries++
      throw new NotPaired('The code is not right, or too old. Take the one that the Workshop page shows now.')
    }
    this.code = null
    const token = randomBytes(32).toString('hex')
    const at = new Date(now).toISOString()
    this.db
      .insert(devices)
      .values({
        id: randomUUID(),
        name: name.trim().slice(0, 60) || 'A device',
        token: machineSha(token),
        pairedAt: at,
        seenAt: at,
      })
      .run()
    return token
  }

  /** The device that has this token, or null. */
  deviceOf(token: string, now = Date.now()): PairedDevice | null {
    const device = this.db
      .select()
      .from(devices)
      .where(eq(devices.token, machineSha(token)))
      .get()
    if (!device) return null
    if (now - Date.parse(device.seenAt) > SEEN_EVERY_MS)
      this.db
        .update(devices)
        .set({ seenAt: new Date(now).toISOString() })
        .where(eq(devices.id, device.id))
        .run()
    return shown(device)
  }

  list(): PairedDevice[] {
    return this.db.select().from(devices).orderBy(desc(devices.seenAt)).all().map(shown)
  }

  /** All that is kept of them, to outlive a database that gives way to a backup. */
  rows(): (typeof devices.$inferSelect)[] {
    return this.db.select().from(devices).all()
  }

  replace(rows: readonly (typeof devices.$inferSelect)[]): void {
    this.db.transaction(tx => {
      tx.delete(devices).run()
      for (const row of rows) tx.insert(devices).values(row).run()
    })
  }

  /** From now on the device has to be paired anew. */
  forget(id: string): boolean {
    return this.db.delete(devices).where(eq(devices.id, id)).run().changes > 0
  }
}

const shown = ({ id, name, pairedAt, seenAt }: typeof devices.$inferSelect): PairedDevice => ({
  id,
  name,
  pairedAt,
  seenAt,
})

/** Compares in the same time whatever is wrong with it. */
const same = (a: string, b: string): boolean => machineSha(a) === machineSha(b)
