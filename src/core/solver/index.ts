export * from './lpText';
export * from './solve';
