// Small shared words: sides, zones, conditions, plain dates.
export * from './condition';
export * from './fold';
export * from './graphOrder';
export * from './mergeOrder';
export * from './plainDate';
export * from './plainText';
export * from './random';
export * from './readMeasure';
export * from './result';
export * from './side';
export * from './timeZone';
export * from './zone';
