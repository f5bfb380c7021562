/** What happens to a drive, as far as its disk-change line goes. */
export type ChangeEvent = 'power-on' | 'disk-out' | 'disk-in' | 'step' | 'select' | 'deselect'

export interface ChangeState {
  /** The latch: set by taking the disk out, cleared by a step with a disk in. */
  readonly latched: boolean
  readonly diskIn: boolean
  readonly selected: boolean
}

/** How the switch that sees the disk behaves. */
export type SwitchHealth = 'works' | 'says in' | 'says out' | 'says the opposite'

export const AT_REST: ChangeState = { latched: true, diskIn: false, selected: false }

/**
 * The disk-change latch (common practice): taking the disk out sets it, a step pulse with a disk in clears it, and the
 * line is low only while the drive is selected. The switch's word counts, not the disk.
 */
export function afterEvent(state: ChangeState, event: ChangeEvent, health: SwitchHealth): ChangeState {
  const diskIn = event === 'disk-in' ? true : event === 'disk-out' ? false : state.diskIn
  const selected = event === 'select' ? true : event === 'deselect' ? false : state.selected
  const saidOut = health === 'says out' || (health === 'works' && !diskIn) || (health === 'says the opposite' && diskIn)
  let latched = state.latched
  if (event === 'power-on') latched = true
  if (saidOut) latched = true
  else if (event === 'step') latched = false
  return { latched, diskIn, selected }
}

/** Whether the line at the plug is low: a change is told. */
export const changeTold = (s: ChangeState): boolean => s.selected && s.latched
