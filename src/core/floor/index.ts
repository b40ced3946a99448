// Feet on the floor: path, footprint, room.
export * from './box';
export * from './pair';
export * from './plan';
export * from './room';
export * from './share';
export * from './stance';
export * from './stancePlan';
export * from './trace';
