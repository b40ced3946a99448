// What the screens of sequences show.

export interface HallShown {
  id: string;
  name: string;
  width: number;
  depth: number;
  version: number;
}
