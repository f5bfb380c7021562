export { Random } from './random'
export { SCENARIOS, SIMULATED_PULLEYS, type Scenario } from './scenarios'
export { SimulatedPickup, type PickupOptions } from './simulated-pickup'
export { SpindleModel, type Ripple, type SpindleModelOptions } from './spindle-model'
