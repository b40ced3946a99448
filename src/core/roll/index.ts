// People: belts by name, consent, pictures, rest, practice.
export * from './atTheName';
export * from './attended';
export * from './beltName';
export * from './consent';
export * from './makeUp';
export * from './pictures';
export * from './practice';
export * from './rests';
export * from './rollLines';
