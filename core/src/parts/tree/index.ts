export { findPart, IN_DRIVES, PART_TREE, partsOn, piecesOf, withAssembly, withPieces } from './tree'
