// Counts called aloud.
export * from './counts';
export * from './timeline';
