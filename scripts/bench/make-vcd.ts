import { Random } from '@wobrin/core/simulator'
import { write } from './make-recordings'

/**
 * Writes a bus recording of about the given size: an index line among busy data lines, as a logic analyser leaves
 * it. The same seed gives the same file.
 */
export function makeVcd(path: string, megabytes: number): Promise<void> {
  const random = new Random(400)
  const head =
    '$timescale 10 ns $end\n$scope module bus $end\n$var wire 1 ! INDEX $end\n$var wire 1 " RDATA $end\n$var wire 1 # STEP $end\n$var wire 1 $ SIDE $end\n$upscope $end\n$enddefinitions $end\n#0\n$dumpvars\n1!\n1"\n1#\n1$\n$end\n'
  const turn = 20_000_000
  let t = 0
  let index = Math.round(turn / 3)
  let level = 1
  return write(path, megabytes, head, () => {
    const lines: string[] = []
    for (let i = 0; i < 20_000; i++) {
      t += 200 + Math.floor(random.next() * 3) * 200
      if (t > index) {
        lines.push(`#${index}\n0!`, `#${index + 40}\n1!`)
        t = index + 60
        index += turn + Math.round(random.gaussian() * 4000)
      }
      level = 1 - level
      lines.push(`#${t}\n${level}"`)
    }
    return lines.join('\n') + '\n'
  })
}
