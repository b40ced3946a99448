export * from './code';
export * from './credential';
export * from './wording';
