// One evening: its blocks, patterns to begin with, and how far it has come by the clock.
export * from './plan';
export * from './patterns';
export * from './running';
