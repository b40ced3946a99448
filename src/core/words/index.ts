// What judgement says, by language. A second one is a second folder with the same names.
export * from './english';
