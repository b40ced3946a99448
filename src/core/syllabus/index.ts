// The way: items, ranks, requirements, gates, and what does not hold.
export * from './ages';
export * from './checkSyllabus';
export * from './compare';
export * from './coverage';
export * from './edit';
export * from './facts';
export * from './gate';
export * from './item';
export * from './load';
export * from './standard';
export * from './startingOrders';
export * from './suggest';
export * from './syllabus';
