export type { Measure, Measures, Shape } from './shape'
export { SHAPE_IDS, shapeOf, type ShapeId } from './shapes'
export { compareShapes, toldMeasures, type ShapeFit } from './compare'
export { readMeasures } from './read-measures'
