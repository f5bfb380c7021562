import type { Pulleys, Features, MechanismId } from '../drives'
import type { Account } from './account'

/** How far a drive is to be brought: the five verified levels, the lowest first. */
export const GOAL_IDS = ['turns', 'own', 'trusted', 'others', 'standard'] as const
export type GoalId = (typeof GOAL_IDS)[number]

/** How a drive is worked on: from what it does wrong, or station by station. */
export const ROUTE_IDS = ['complaint', 'overhaul'] as const
export type RouteId = (typeof ROUTE_IDS)[number]

/** What is known of a drive as a thing, apart from its log. */
export interface DriveFacts {
  readonly id: string
  /** The workshop's own number, such as SK-05. */
  readonly tag: string
  /** A simulated drive on file: what it does says nothing of any real one. */
  readonly simulated: boolean
  readonly mechanism: MechanismId
  readonly maker: string
  readonly model: string
  readonly serial: string
  /** Host it will serve. */
  readonly host: string
  /** Year of make, as its date code or its owner says; null where nobody knows. */
  readonly year: number | null
  /** How far it is to be brought; null where nobody said. */
  readonly goal: GoalId | null
  readonly route: RouteId
  /** Number of a practice drive, from which its hidden faults follow; null for any other. */
  readonly practice: number | null
  /** What it does wrong, in the owner's words. */
  readonly ownerWords: string
  /** What differs between drives of its class, as far as it was said; null where nothing was. */
  readonly features: Features | null
  /** Money and hours; null where nothing was entered. */
  readonly account: Account | null
  /** Which nominal speed it runs at, r/min; null for the mechanism's usual one. */
  readonly nominalRpm: number | null
  readonly motor: 'ac' | 'dc' | null
  readonly hasTrimmer: boolean | null
  readonly pulleys: Pulleys | null
  /** ISO 8601, UTC. */
  readonly receivedAt: string
}
