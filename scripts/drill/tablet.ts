// A tablet of the hall: the real rules of the queue and of what counts as an answer, over a network that can be bad.
import { v7 } from 'uuid';
import { afterAnswer, again, begun, nextToSend, type Waiting } from '../../src/kit/deviceQueue/queue';
import { postCommand } from '../../src/kit/send';
import { captivePage } from '../../src/kit/testing/server';
import { wait, type School } from './school';

export interface Weather {
  /** A page in between answers instead of the school. */
  captive: number | null;
  /** By how much the tablets' clocks are off, in ms. */
  clock: number;
  /** What the school's server answered that it never should. */
  faults: number;
}

/** All tablets of this process go through this: it finds the school, and the page in between. */
export function network(school: School, weather: Weather): void {
  const real = globalThis.fetch;
  globalThis.fetch = async (path, init) => {
    if (typeof path !== 'string' || !path.startsWith('/')) return real(path, init);
    if (weather.captive !== null) return captivePage(weather.captive);
    const answer = await real(`${school.url}${path}`, { ...init, headers: school.headers() });
    if (answer.status === 500) weather.faults += 1;
    return answer;
  };
}

export class Tablet {
  here: Waiting[] = [];
  made: string[] = [];
  /** The longest that a mark of this tablet has waited, in ms, and since when each waits. */
  longest = 0;
  private readonly since = new Map<string, number>();
  private on = true;

  constructor(
    private readonly school: School,
    private readonly weather: Weather,
    private readonly number: number,
  ) {}

  now = () => new Date(Date.now() + this.weather.clock).toISOString();

  /** Marks somebody; every fifth is a correction of the one before. */
  mark(): void {
    const { kit } = this.school;
    const i = this.made.length;
    const technique = kit.techniques.find((t) => t.points.some((p) => p.kind === 'seen'))!;
    const student = kit.students[this.number % kit.students.length]!;
    const id = v7();
    const at = this.now();
    this.here.push(
      begun({
        id,
        at,
        name: 'look.record',
        input: {
          id,
          studentId: student.id,
          techniqueId: technique.id,
          conditionId: kit.conditions[0]!.id,
          day: at.slice(0, 10),
          at,
          side: technique.sided ? 'left' : 'none',
          purpose: null,
          replaces: i % 5 === 4 ? this.made.at(-1)! : null,
          note: '',
          marks: technique.points
            .filter((p) => p.kind === 'seen')
            .map((p) => ({ pointId: p.id, kind: 'seen' as const, held: 1, of: 1 })),
        },
        label: '',
        by: 'me',
        open: false,
      }),
    );
    this.made.push(id);
    this.since.set(id, performance.now());
  }

  /** Sends until it is told to stop, with the pauses of a real one. */
  async sending(): Promise<void> {
    while (this.on) {
      await this.run();
      await wait(400);
    }
  }
  stop(): void {
    this.on = false;
  }

  async run(): Promise<void> {
    const tried = new Set<string>();
    for (let c = nextToSend(this.here, 'me', tried); c && this.on; c = nextToSend(this.here, 'me', tried)) {
      tried.add(c.id);
      const { id } = c;
      const answer = await postCommand({ id, at: c.at, name: c.name, input: c.input }, this.now());
      const after = afterAnswer(c, answer);
      this.here = this.here.flatMap((x) => (x.id !== id ? [x] : after.stays ? [after.stays] : []));
      if (after.stays === null) this.longest = Math.max(this.longest, performance.now() - (this.since.get(id) ?? 0));
      if (!after.goesOn) break;
    }
  }

  /** Takes the first way of mending that is offered for each that stands aside. */
  mend(): void {
    this.here = this.here.map((c) => (c.aside?.mends[0] ? again(c, c.aside.mends[0]) : c));
  }
}
