/** A label wanted at a place along a line. */
export interface Wanted {
  readonly atPx: number;
  readonly widthPx: number;
}

/** Labels that touch and move together. */
interface Run {
  readonly from: number;
  readonly members: readonly number[];
  readonly width: number;
  readonly wish: number;
}

/**
 * Moves labels along a line so that none overlap and each stays as near its place as its neighbours allow. Labels must be
 * sorted by place. One-dimensional: overlapping runs are merged and centred on the mean of what they want.
 * @returns the middle of each label, in px
 */
export function placeLabels(labels: readonly Wanted[], gapPx: number, fromPx: number, toPx: number): number[] {
  const runs: Run[] = [];
  const kept = (run: Run): Run => ({ ...run, from: Math.max(fromPx, Math.min(run.wish, toPx - run.width)) });
  labels.forEach((label, i) => {
    let run = kept({ from: 0, members: [i], width: label.widthPx, wish: label.atPx - label.widthPx / 2 });
    for (let last = runs.at(-1); last !== undefined && last.from + last.width + gapPx > run.from; last = runs.at(-1)) {
      runs.pop();
      const [before, after] = [last.members.length, run.members.length];
      // Each member wishes the run to start where the member would lie at its own place.
      const wish = (last.wish * before + (run.wish - last.width - gapPx) * after) / (before + after);
      run = kept({ from: 0, members: [...last.members, ...run.members], width: last.width + gapPx + run.width, wish });
    }
    runs.push(run);
  });
  const middles: number[] = [];
  for (const { from, members } of runs) {
    let at = from;
    for (const i of members) {
      middles[i] = at + labels[i]!.widthPx / 2;
      at += labels[i]!.widthPx + gapPx;
    }
  }
  return middles;
}
