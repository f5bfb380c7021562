import type { AsFoundItem, Breakage, StationId } from '@wobrin/core/log'
import type { PictureKind } from './pictures'

/** One marked thing of the demo. `behind` names what lies in front of it. */
export type DemoItem = Pick<AsFoundItem, 'kind' | 'name'> &
  Partial<Omit<AsFoundItem, 'kind' | 'name' | 'behind' | 'mark'>> & {
    readonly behind?: string
    /** Which photo it is marked on, and where: shares of width and height. */
    readonly at?: readonly [photo: number, x: number, y: number]
    readonly undone?: Breakage | true
    readonly back?: true
  }

/** What was written down of a drive before it was taken apart. Entered at one station. */
export interface DemoRecord {
  readonly station: StationId
  readonly photos: readonly { readonly picture: PictureKind; readonly title: string }[]
  /** In the order of undoing. */
  readonly items: readonly DemoItem[]
}

export const RECORD_SK11: DemoRecord = {
  station: 'open',
  photos: [
    { picture: 'board', title: 'Board, as it came' },
    { picture: 'belt', title: 'Underside: pulley and flywheel' },
  ],
  items: [
    { kind: 'connector', name: '26-pin data', state: 'rear edge, stripe left', at: [0, 0.5, 0.09], undone: true },
    {
      kind: 'connector',
      name: 'power, 4-pin',
      state: 'corner of the board',
      detail: '12 V is apart from 5 V here',
      at: [0, 0.86, 0.11],
      undone: true,
    },
    { kind: 'strap', name: 'drive select', state: 'on 0', at: [0, 0.19, 0.2] },
    {
      kind: 'screw',
      name: 'board, three',
      detail: 'M2.6 × 5, the one by the motor is shorter',
      at: [0, 0.065, 0.5],
      undone: true,
    },
    {
      kind: 'part',
      name: 'board',
      detail: 'slides to the rear',
      at: [0, 0.5, 0.5],
      undone: true,
      behind: 'board, three',
    },
    {
      kind: 'loose',
      name: 'write-protect pin',
      state: 'bag 11, taped to the drive',
      detail: '10 mm, metal',
      at: [0, 0.93, 0.66],
    },
    {
      kind: 'wire',
      name: 'motor +',
      colour: 'red',
      from: 'board J4-1',
      to: 'spindle motor',
      measured: '11.9 V',
      at: [1, 0.42, 0.74],
    },
    {
      kind: 'wire',
      name: 'motor −',
      colour: 'black',
      from: 'board J4-2',
      to: 'spindle motor',
      measured: '0 V',
      at: [1, 0.47, 0.8],
    },
  ],
}

export const RECORD_SK05: DemoRecord = {
  station: 'open',
  photos: [{ picture: 'board', title: 'Board before undoing' }],
  items: [
    { kind: 'connector', name: '34-pin data', state: 'end by the drive-select straps', at: [0, 0.5, 0.09] },
    { kind: 'strap', name: 'drive select', state: 'on 0', at: [0, 0.19, 0.2] },
    { kind: 'terminator', name: 'resistor pack', state: 'fitted', at: [0, 0.3, 0.2] },
    {
      kind: 'tie',
      name: 'motor leads',
      detail: 'two leads clear of the belt',
      at: [0, 0.72, 0.82],
      undone: 'cut',
      back: true,
    },
    { kind: 'part', name: 'dust shield', detail: 'two tabs, front first', undone: true, back: true },
  ],
}

export const RECORD_SK19: DemoRecord = {
  station: 'open',
  photos: [
    { picture: 'board', title: 'Board, out of the case' },
    { picture: 'belt', title: 'Belt side' },
  ],
  items: [
    { kind: 'strap', name: 'drive select', state: 'on 1, pins bent towards the edge', at: [0, 0.19, 0.2] },
    { kind: 'terminator', name: 'resistor pack', state: 'fitted', at: [0, 0.3, 0.2] },
    { kind: 'connector', name: '34-pin data', state: '', at: [0, 0.5, 0.09], undone: true },
    {
      kind: 'connector',
      name: 'head plug',
      state: 'left, seen from the front',
      detail: 'pull straight',
      at: [0, 0.36, 0.88],
      undone: true,
    },
    { kind: 'tie', name: 'loom at the motor', detail: 'motor and index leads', at: [0, 0.72, 0.82], undone: 'cut' },
    {
      kind: 'part',
      name: 'board',
      detail: 'two hooks at the front, lift the rear',
      at: [0, 0.5, 0.5],
      behind: '34-pin data',
    },
  ],
}
