import { defineCommand } from 'citty'
import { poolParts, readBox } from '@wobrin/core/bench/pool'
import { fromJson } from './read-text'

export const pool = defineCommand({
  meta: { name: 'pool', description: 'Which drives of a box can be made to work with the good parts of the others.' },
  args: {
    file: { type: 'positional', description: 'the box as JSON: drives with their parts', required: true },
    json: { type: 'boolean', description: 'print the answer as JSON' },
  },
  run({ args }) {
    const answer = poolParts(fromJson(args.file, 'a box as JSON', readBox))
    console.log(args.json ? JSON.stringify(answer, null, 2) : answer.says)
  },
})
