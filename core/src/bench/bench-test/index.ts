export {
  answerSaid,
  benchTest,
  benchTestByLines,
  benchTestOf,
  isOpen,
  POINT_STATES,
  type BenchTest,
  type PointResult,
  type PointState,
} from './bench-test'
export {
  TEST_GROUPS,
  TEST_POINTS,
  TEST_WAY_LABELS,
  TEST_WAYS,
  type TestGroup,
  type TestPoint,
  type TestWay,
} from './points'
export type { TestedDrive } from './expected'
