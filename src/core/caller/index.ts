// Counts called aloud.
export * from './blockCall';
export * from './counts';
export * from './named';
export * from './timeline';
