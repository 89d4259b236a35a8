import { type Job, SLACK_MIN, type Window, sittingAt } from './problem';

/** Set-ups that stand, one after another: by whom, in which sitting, from when on it is done; and the one before of the same family. */
export class SetUps {
  private readonly sat: {
    readonly family: number;
    readonly person: number;
    readonly sitting: number;
    readonly endMin: number;
    readonly before: number;
  }[] = [];
  private readonly last = new Map<number, number>();

  constructor(private readonly windowsOf: (person: number) => readonly Window[]) {}

  get count(): number {
    return this.sat.length;
  }
  keepFirst(count: number): void {
    while (this.sat.length > count) {
      const { family, before } = this.sat.pop()!;
      this.last.set(family, before);
    }
  }
  /** Set-up is done once a sitting by whoever comes first; a job that is broken off leaves none behind. */
  add({ setUpMin, family }: Job, person: number, endMin: number): void {
    if (setUpMin === 0) return;
    const sitting = sittingAt(this.windowsOf(person), endMin - 1e-3);
    this.sat.push({ family, person, sitting, endMin, before: this.last.get(family) ?? -1 });
    this.last.set(family, this.sat.length - 1);
  }
  /** How long a job takes somebody who begins it then: without its set-up where they have set up before. */
  needMin({ workMin, setUpMin, family }: Job, person: number, startMin: number): number {
    if (setUpMin === 0) return workMin;
    const sitting = sittingAt(this.windowsOf(person), startMin);
    for (let k = this.last.get(family) ?? -1; k >= 0 && sitting >= 0; k = this.sat[k]!.before) {
      const one = this.sat[k]!;
      if (one.person === person && one.sitting === sitting && one.endMin <= startMin + SLACK_MIN) return workMin;
    }
    return workMin + setUpMin;
  }
}
