// Edmonds' blossom algorithm after Joris van Rantwijk; it ships no types of its own.
declare module 'edmonds-blossom-fixed' {
  /** Edges as `[i, j, weight]`; for each vertex its mate, or -1. Vertices beyond the last edge's are left out. */
  export default function blossom(edges: [number, number, number][], maxCardinality?: boolean): number[];
}
