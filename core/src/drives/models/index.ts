export {
  emptySheet,
  familyKey,
  MEMORY_TOPIC_IDS,
  MEMORY_TOPICS,
  mergedSheets,
  modelKey,
  POINT_UNITS,
  pointId,
  type MemoryTopic,
  type ModelMemory,
  type ModelPin,
  type ModelPoint,
  type ModelSheet,
  type PointUnit,
} from './model-sheet'
export { checkModelSheet, readModelSheet } from './read-model-sheet'
