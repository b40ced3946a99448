export * from './cohen';
export * from './icc';
export * from './interval';
export * from './krippendorff';
export * from './examinerShifts';
export * from './measures';
export * from './panel';
