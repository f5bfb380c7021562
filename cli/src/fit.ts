import { readFile } from 'node:fs/promises'
import { defineCommand } from 'citty'
import { ParameterError } from '@wobrin/core/base/errors'
import { DRIVES, HOSTS, readProfile, type DriveProfile, type HostProfile } from '@wobrin/core/drives/hosts'
import { judgeFit } from '@wobrin/core/bench/host-fit'
import { CALLS } from '@wobrin/core/base/observations'

/** A profile by the number it is listed under, or from a file. */
async function profile<P extends HostProfile | DriveProfile>(
  asked: string,
  known: readonly P[],
  format: P['format'],
  field: string,
): Promise<P> {
  if (/^\d+$/.test(asked)) {
    const found = known[Number(asked) - 1]
    if (!found) throw new ParameterError(`there is no number ${asked}`, `1 to ${known.length}, or a file`, { field })
    return found
  }
  const text = await readFile(asked, 'utf8').catch(() => {
    throw new ParameterError(`“${asked}” cannot be opened`, `a file, or 1 to ${known.length}`, { field })
  })
  const read = readProfile(text, asked)
  if (read.format !== format) throw new ParameterError(`${asked} is the other kind of profile`, format, { field })
  return read as P
}

export const fit = defineCommand({
  meta: {
    name: 'fit',
    description:
      'Straps and wires with which a drive serves a host; without arguments the profiles that ship are listed.',
  },
  args: {
    host: { type: 'string', description: 'number of a host’s profile, or its JSON file' },
    drive: { type: 'string', description: 'number of a drive’s profile, or its JSON file' },
    cable: { type: 'string', description: 'straight, or made for the purpose', default: 'straight' },
    json: { type: 'boolean', description: 'print the answer as JSON' },
  },
  async run({ args }) {
    if (!args.host || !args.drive) {
      for (const [title, list] of [
        ['Hosts', HOSTS],
        ['Drives', DRIVES],
      ] as const)
        console.log([title, ...list.map((p, i) => `  ${i + 1}  ${p.name}`)].join('\n'))
      return
    }
    if (args.cable !== 'straight' && args.cable !== 'made')
      throw new ParameterError(`“${args.cable}” is no kind of cable`, 'straight or made', { field: '--cable' })
    const host = await profile<HostProfile>(args.host, HOSTS, 'wobrin-host-profile', '--host')
    const drive = await profile<DriveProfile>(args.drive, DRIVES, 'wobrin-drive-profile', '--drive')
    const f = judgeFit(host, drive, args.cable)
    if (args.json) {
      console.log(
        JSON.stringify(
          {
            call: f.call.kind,
            reasons: f.call.reasons,
            next: f.call.next,
            settings: f.settings,
            set: f.sets.map(s => ({
              id: s.choice.id,
              label: s.choice.label,
              position: s.position,
              from: s.from,
              moved: s.moved,
            })),
            noticed: f.noticed.map(n => ({ need: n.need.id, grade: n.grade, text: n.text })),
            impossible: f.impossible
              ? { needs: f.impossible.needs.map(n => n.id), because: f.impossible.because }
              : null,
            pins: f.pins,
          },
          null,
          2,
        ),
      )
      return
    }
    console.log(`${CALLS[f.call.kind].label}: ${[...f.call.reasons, f.call.next].join(' ')}`)
    for (const s of f.sets)
      console.log(`  ${s.moved ? '*' : ' '} ${s.choice.label}: ${s.position}${s.moved ? ` (from ${s.from})` : ''}`)
  },
})
