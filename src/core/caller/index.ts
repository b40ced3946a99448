// Counts called aloud.
export * from './counts';
export * from './named';
export * from './timeline';
