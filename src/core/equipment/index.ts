// What the hall owns and whether there is enough of it.
export * from './change';
export * from './list';
export * from './need';
export * from './owned';
export * from './siting';
export * from './slots';
export * from './thing';
export * from './load';
export * from './post';
