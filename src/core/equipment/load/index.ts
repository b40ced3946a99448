// Work that hardens: how many strikes next, what stops them, and who may.
export * from './hands';
export * from './nextLoad';
export * from './rule';
export * from './walk';
