// How a sentence is put together: lists, plurals, capitals. Rooms of the core that say something themselves take it from
// here; the other words are made of what those rooms know, and would lead round in a circle.
export * from './english/speak';
