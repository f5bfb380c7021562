import { benchAlign } from './bench/align'
benchAlign(24, console.log)
