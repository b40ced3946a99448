// units
export * from './units/result';
export * from './units/side';
export * from './units/plainDate';
export * from './units/condition';
export * from './units/zone';
export * from './units/fold';
export * from './units/plainText';
export * from './units/random';
// technique
export * from './technique/point';
export * from './technique/technique';
export * from './technique/pose';
export * from './technique/prerequisites';
export * from './technique/standsOn';
// sequence
export * from './sequence/move';
export * from './sequence/vocabulary';
export * from './sequence/read';
export * from './sequence/print';
export * from './sequence/mirror';
export * from './sequence/invert';
export * from './sequence/compose';
export * from './sequence/substitute';
export * from './sequence/answer';
export * from './sequence/answerRules';
export * from './sequence/quarters';
export * from './sequence/levels';
export * from './sequence/loops';
export * from './sequence/post';
export * from './sequence/sectioning';
export * from './sequence/graded';
export * from './sequence/recipe';
export * from './sequence/family';
export * from './sequence/departures';
export * from './sequence/tally';
export * from './sequence/checks';
export * from './sequence/spoken';
export * from './sequence/drawing';
export * from './sequence/stave';
// floor
export * from './floor/stance';
export * from './floor/trace';
export * from './floor/room';
export * from './floor/plan';
export * from './floor/stancePlan';
// caller
export * from './caller/counts';
export * from './caller/timeline';
// syllabus
export * from './syllabus/item';
export * from './syllabus/standard';
export * from './syllabus/gate';
export * from './syllabus/syllabus';
export * from './syllabus/facts';
export * from './syllabus/prerequisites';
export * from './syllabus/edit';
export * from './syllabus/compare';
export * from './syllabus/coverage';
export * from './syllabus/load';
export * from './syllabus/checkSyllabus';
export * from './syllabus/ages';
export * from './syllabus/suggest';
// evidence
export * from './evidence/looks';
export * from './evidence/window';
export * from './evidence/verdict';
export * from './evidence/reason';
export * from './evidence/reader';
export * from './evidence/readiness';
export * from './evidence/beta';
export * from './evidence/posterior';
export * from './evidence/chance';
export * from './evidence/calibration';
export * from './evidence/focus';
export * from './evidence/nextLooks';
export * from './evidence/growth';
export * from './evidence/forecast';
export * from './evidence/believe';
export * from './evidence/counts';
// roll
export * from './roll/beltName';
export * from './roll/rollLines';
export * from './roll/consent';
export * from './roll/practice';
export * from './roll/rests';
export * from './roll/makeUp';
export * from './syllabus/startingOrders';
