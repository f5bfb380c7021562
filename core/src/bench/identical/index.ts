export {
  COMPARED,
  compareDrives,
  comparedReadings,
  type ComparedGroup,
  type ComparedRow,
  type ComparedValue,
  type LoggedDrive,
} from './compare'
export { isShownToWork, levelOf, likenessOf, whatItWas, type Likeness, type WhatItWas } from './model-memory'
