import { once } from 'node:events'
import { createReadStream, createWriteStream, statSync } from 'node:fs'
import { connect } from 'node:net'
import type { Duplex } from 'node:stream'
import { InputError } from '@wobrin/core/base/errors'
import type { BoardWire } from '@wobrin/core/instruments/bench-link'

/** A wire that can be let go of. */
export type OpenWire = BoardWire & { readonly close: () => void }

const PATIENCE_MS = 5000

/**
 * The way to a board: a TCP port (HOST:PORT, or a port of this machine), or a serial device by its path, whose speed
 * the system has set.
 * @throws InputError where nothing answers there
 */
export async function boardWire(address: string): Promise<OpenWire> {
  const [, host = '127.0.0.1', port] = /^(?:tcp:\/\/)?(?:([^:/]+):)?(\d+)$/.exec(address) ?? []
  return port === undefined ? deviceWire(address) : socketWire(host, Number(port), address)
}

async function socketWire(host: string, port: number, address: string): Promise<OpenWire> {
  const socket = connect({ host, port, timeout: PATIENCE_MS })
  try {
    await once(socket, 'connect', { signal: AbortSignal.timeout(PATIENCE_MS) })
  } catch {
    socket.destroy()
    throw new InputError('no board answers there', 'HOST:PORT of a board, or the path of a serial device', {
      file: address,
    })
  }
  socket.setTimeout(0)
  return wireOf(socket, () => socket.destroy())
}

function deviceWire(path: string): OpenWire {
  if (!statSync(path, { throwIfNoEntry: false })?.isCharacterDevice())
    throw new InputError('there is no such device', 'HOST:PORT of a board, or the path of a serial device', {
      file: path,
    })
  const [reading, writing] = [createReadStream(path), createWriteStream(path)]
  return {
    write: text => void writing.write(text),
    listen: (onText, onEnd) => {
      reading.setEncoding('utf8')
      reading.on('data', text => onText(String(text)))
      reading.on('error', error => onEnd(error.message))
      writing.on('error', error => onEnd(error.message))
      reading.on('end', () => onEnd('the device was pulled out'))
    },
    close: () => {
      reading.destroy()
      writing.destroy()
    },
  }
}

const wireOf = (stream: Duplex, close: () => void): OpenWire => ({
  write: text => void stream.write(text),
  listen: (onText, onEnd) => {
    stream.setEncoding('utf8')
    stream.on('data', text => onText(String(text)))
    stream.on('error', error => onEnd(error.message))
    stream.on('close', () => onEnd('the connection ended'))
  },
  close,
})
