// Numbers that an eye cannot give: angles, lengths and weight read off a picture, each with its doubt.
export * from './beats';
export * from './body';
export * from './clip';
export * from './doubt';
export * from './found';
export * from './guess';
export * from './measuredBy';
export * from './measures';
export * from './pegs';
export * from './scale';
export * from './standIn';
