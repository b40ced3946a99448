// Two changes of the same thing, place by place.
export * from './meet';
