import { writeFile } from 'node:fs/promises'
import { defineCommand } from 'citty'
import { strobeBars, strobeDiscSvg } from '@wobrin/core/instruments/spindle'
import { numberOption } from './options'

export const strobe = defineCommand({
  meta: { name: 'strobe', description: 'Bars of a strobe pattern for a speed and a mains frequency; a disc to print.' },
  args: {
    rpm: { type: 'string', description: 'speed, r/min', required: true },
    mains: { type: 'string', description: 'mains frequency, Hz', default: '50' },
    svg: { type: 'string', description: 'write a disc, to scale, to this file' },
    diameter: { type: 'string', description: 'outer diameter of the disc, mm', default: '100' },
    hole: { type: 'string', description: 'diameter of its hole, mm', default: '28' },
    json: { type: 'boolean', description: 'print the answer as JSON' },
  },
  async run({ args }) {
    const rpm = numberOption(args.rpm, 'rpm', 1)!
    const mainsHz = numberOption(args.mains, 'mains', 1)!
    const found = strobeBars(rpm, mainsHz)
    if (args.svg) {
      await writeFile(
        args.svg,
        strobeDiscSvg({
          diameterMm: numberOption(args.diameter, 'diameter', 1)!,
          holeMm: numberOption(args.hole, 'hole', 0)!,
          rings: [{ rpm, mainsHz }],
        }),
      )
    }
    if (args.json) console.log(JSON.stringify(found, null, 2))
    else if (found.fits) console.log(`${found.bars} bars stand still at ${rpm} r/min under a lamp on ${mainsHz} Hz.`)
    else
      console.log(
        `No whole number of bars fits ${rpm} r/min on ${mainsHz} Hz. Nearest: ${found.bars} bars, which stand still at ${found.stillRpm.toFixed(2)} r/min (${found.errorPercent > 0 ? '+' : ''}${found.errorPercent.toFixed(2)} %).`,
      )
  },
})
