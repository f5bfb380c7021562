import { SATURATED, type LogicInput } from './logic-levels'

/** A bipolar input's resistor hangs one junction below the supply, and lets go where the line passes two, V. */
const JUNCTION = 0.7
const LETS_GO = 2 * JUNCTION
/** Supply of the logic, V: the input's own resistor hangs on it. */
const LOGIC_SUPPLY = 5

export interface SensorNode {
  /** V and Ω of the pull-up. */
  readonly supply: number
  readonly pull: number
  readonly input: LogicInput
  /** Which input current is counted. */
  readonly inside: 'typical' | 'least'
}

/**
 * The level at a detector that draws `current` (A) from a node with a pull-up and a logic input, V: the sum of all
 * currents at the node is zero. A bipolar input that is low sends current out, which the detector must sink too; one
 * that is high takes a little.
 *
 * @example
 * levelAt({ supply: 5, pull: 10_000, input: UNNAMED_INPUT, inside: 'typical' }, 0.0002) // 3
 */
export function levelAt(node: SensorNode, current: number): number {
  const { supply, pull, input } = node
  const high = supply - (current + input.intoHigh) * pull
  const ohms = input.inside?.[node.inside]
  if (ohms === undefined || high >= LETS_GO) return Math.max(SATURATED, high)
  const low = (supply / pull + (LOGIC_SUPPLY - JUNCTION) / ohms - current) / (1 / pull + 1 / ohms)
  // Between the two the input's current changes over: the line stays where it does.
  return Math.max(SATURATED, Math.min(LETS_GO, low))
}

/** Current (A) that a bipolar input sends into a line at a level (V); none where it lets go, or is no bipolar one. */
export function sentByInput(
  { inside }: Pick<LogicInput, 'inside'>,
  level: number,
  which: SensorNode['inside'],
): number {
  const ohms = inside?.[which]
  return ohms === undefined || level >= LETS_GO ? 0 : (LOGIC_SUPPLY - JUNCTION - level) / ohms
}

/** Current (A) that brings the node down to a level (V): what the pull-up and a low input send into it. */
export function currentFor(node: SensorNode, level: number): number {
  return (node.supply - level) / node.pull + sentByInput(node.input, level, node.inside)
}
