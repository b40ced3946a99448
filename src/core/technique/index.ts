// Points, slips, stances and what a technique stands on.
export * from './ceiling';
export * from './contrast';
export * from './point';
export * from './pose';
export * from './prerequisites';
export * from './standsOn';
export * from './technique';
