import type { ChildProcess } from 'node:child_process'

export function portIsFree(port: number, host: string): Promise<boolean>
export function serve(options: {
  port: number
  host: string
  data: string
  quiet?: boolean
  patience?: number
  killAfterMs?: number
}): Promise<{ child: ChildProcess; address: string; milliseconds: number }>
export function stop(child: ChildProcess, signal?: NodeJS.Signals): Promise<number | null>
export function freePort(host?: string): Promise<number>
