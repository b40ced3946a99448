// The striking post: how high, how stiff, how far it is from breaking.
export * from './bend';
export * from './post';
export * from './wood';
export * from './plan';
