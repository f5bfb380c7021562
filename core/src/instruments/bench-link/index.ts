export { BoardClient, type BoardEars, type BoardWire, type Pause, type Request } from './board-client'
export { RecordedBoard } from './recorded-board'
export { checkBoard, type BoardCheck, type BoardReport } from './check-board'
export { hostTestByBoard, type HandsAsked, type HostTestOptions, type HostTestStep } from './host-test'
export { readDiskByBoard, wholeDisk, type BoardReadOptions, type BoardTrack, type TrackPlace } from './read-disk'
export { LineCutter } from './lines-of-text'
export {
  DRIVEN_LINES,
  LINK_VERSION,
  LONGEST_LINE,
  readFromBoard,
  type Answer,
  type ButtonChange,
  type DrivenLine,
  type FluxPart,
  type FromBoard,
  type Hello,
  type LineChange,
  type ToBoard,
} from './messages'
