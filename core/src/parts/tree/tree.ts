import { faultsOn } from '../../diagnosis'
import { findMechanism } from '../../drives'
import { holds, situationOf } from '../../findings'
import type { DriveFacts } from '../../log'
import type { PartNode } from '../types'
import { BOARD } from './board'
import { CARRIAGE } from './carriage'
import { HEADS } from './heads'
import { LOADING } from './loading'
import { OUTSIDE } from './outside'
import { PROCESSOR } from './processor'
import { TURNING } from './turning'

/** Every part of every drive, assemblies before their pieces. */
export const IN_DRIVES: readonly PartNode[] = inOrder([
  ...HEADS,
  ...TURNING,
  ...CARRIAGE,
  ...LOADING,
  ...BOARD,
  ...PROCESSOR,
])

/** The same with what drives are run with. */
export const PART_TREE: readonly PartNode[] = [...IN_DRIVES, ...OUTSIDE]

const byId = new Map(PART_TREE.map(p => [p.id, p]))

/** A part by its id; undefined where there is none. */
export const findPart = (id: string): PartNode | undefined => byId.get(id)

/** Pieces of an assembly. */
export const piecesOf = (id: string): PartNode[] => PART_TREE.filter(p => p.within === id)

/** A part with its pieces. */
export const withPieces = (id: string): string[] => [id, ...piecesOf(id).map(p => p.id)]

/** Parts that hold a piece, and the piece itself. */
export const withAssembly = (id: string): string[] => {
  const within = findPart(id)?.within
  return within ? [id, within] : [id]
}

function inOrder(nodes: readonly PartNode[]): PartNode[] {
  return nodes.filter(n => n.within === null).flatMap(n => [n, ...nodes.filter(p => p.within === n.id)])
}

/**
 * Parts that a drive has, or may have where nobody said. A part that another one of its kind cures is there where the
 * diagnosis knows such a fault on this type.
 * @param found ids of the findings that hold
 */
export function partsOn(
  drive: Pick<DriveFacts, 'mechanism' | 'features'>,
  found: Iterable<string>,
  nodes: readonly PartNode[] = IN_DRIVES,
): PartNode[] {
  const own: readonly string[] = findMechanism(drive.mechanism).parts
  const situation = situationOf(drive, found)
  const faults = faultsOn(drive)
  const has = (n: PartNode) =>
    (!n.own || own.includes(n.id)) &&
    holds(n.when, situation) &&
    (n.always || !n.cures?.length || n.cures.some(id => faults.has(id)))
  const there = new Set(nodes.filter(has).map(n => n.id))
  return nodes.filter(n => there.has(n.id) && (n.within === null || there.has(n.within)))
}
