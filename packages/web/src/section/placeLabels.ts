/** A label wanted at a place along a line. */
export interface Wanted {
  readonly atPx: number;
  readonly widthPx: number;
}

/**
 * Moves labels along a line so that none overlap and each stays as near its place as its neighbours allow. Labels must be
 * sorted by place. One-dimensional: overlapping runs are merged and centred on the mean of what they want.
 * @returns the middle of each label, in px
 */
export function placeLabels(labels: readonly Wanted[], gapPx: number, fromPx: number, toPx: number): number[] {
  const runs: { from: number; members: number[]; width: number; wish: number }[] = [];
  labels.forEach((label, i) => {
    let run = { from: label.atPx - label.widthPx / 2, members: [i], width: label.widthPx, wish: label.atPx - label.widthPx / 2 };
    for (let last = runs.at(-1); last !== undefined && last.from + last.width + gapPx > run.from; last = runs.at(-1)) {
      runs.pop();
      // Each member wishes the run to start where the member would lie at its own place.
      const count = last.members.length + run.members.length;
      const wish = (last.wish * last.members.length + (run.wish - last.width - gapPx) * run.members.length) / count;
      run = { from: wish, members: [...last.members, ...run.members], width: last.width + gapPx + run.width, wish };
    }
    run.from = Math.max(fromPx, Math.min(run.from, toPx - run.width));
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
