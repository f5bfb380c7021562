import { expose } from 'comlink'
import { whoIsToBlame, type BlameTable } from '@wobrin/core/proof'

const worker = {
  judge: ({ reads, disks, drives }: BlameTable) => whoIsToBlame(reads, disks, drives),
}

export type BlameWorker = typeof worker

expose(worker)
