export * from './people';
export * from './technique';
export * from './sequence';
export * from './syllabus';
export * from './evidence';
export * from './history';
export * from './version';
export * from './guidance';
