// units
export * from './units/result';
export * from './units/side';
export * from './units/plainDate';
export * from './units/condition';
// technique
export * from './technique/point';
export * from './technique/technique';
export * from './technique/pose';
// syllabus
export * from './syllabus/standard';
export * from './syllabus/gate';
// evidence
export * from './evidence/looks';
export * from './evidence/window';
export * from './evidence/verdict';
export * from './evidence/reason';
export * from './evidence/readiness';
// roll
export * from './roll/rollLines';
