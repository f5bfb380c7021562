import { openSync } from 'node:fs'
import { ReadStream } from 'node:tty'

/** Ctrl+C comes as a character while keys are read one by one. */
const CTRL_C = '\u0003'

/**
 * Single keys of the terminal, while standard input is a stream of something else. Without a terminal nothing is read.
 * @returns ends reading; the terminal is as before then
 */
export function terminalKeys(keys: Readonly<Record<string, () => void>>): { end: () => void } {
  let terminal: ReadStream
  try {
    terminal = new ReadStream(openSync('/dev/tty', 'r'))
    terminal.setRawMode(true)
  } catch {
    return { end: () => {} }
  }
  terminal.on('data', typed => {
    for (const key of String(typed)) {
      if (key === CTRL_C) {
        terminal.setRawMode(false)
        process.kill(process.pid, 'SIGINT')
      } else keys[key.toLowerCase()]?.()
    }
  })
  terminal.on('error', () => {})
  terminal.unref()
  return {
    end: () => {
      terminal.setRawMode(false)
      terminal.destroy()
    },
  }
}
