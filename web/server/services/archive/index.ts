export { sweepImports } from './arriving'
export { importArchive } from './import-archive'
export { writeArchive, type WrittenArchive } from './write-archive'
export { ARCHIVE_VERSION, MANIFEST, TABLES, type Manifest } from './tables'
