export { importArchive } from './import-archive'
export { writeArchive } from './write-archive'
export { ARCHIVE_VERSION, MANIFEST, TABLES, type Manifest } from './tables'
