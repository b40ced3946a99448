// One entry a folder; what each holds stands in its own.
export * from './agreement';
export * from './caller';
export * from './certificate';
export * from './evidence';
export * from './floor';
export * from './grading';
export * from './pairing';
export * from './roll';
export * from './runSheet';
export * from './sequence';
export * from './sideBySide';
export * from './syllabus';
export * from './technique';
export * from './tonight';
export * from './units';
export * from './words';
