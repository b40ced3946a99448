// Numbers that an eye cannot give: angles, lengths and weight read off a picture, each with its doubt.
export * from './body';
export * from './doubt';
export * from './guess';
export * from './measures';
