export * from './decide';
export * from './rule';
export * from './sheet';
