/** Keeps a moving picture moving: where frames come too slowly it is drawn coarser until it rests. */
export interface Pace {
  /** A frame is about to be drawn. @param nowMs a clock of any origin */
  readonly moved: (nowMs: number) => void;
  /** The picture rests. @returns whether it is to be drawn once more, sharp */
  readonly rested: () => boolean;
}

/** Shares of the full sharpness, from the finest. */
const SHARES = [1, 0.75, 0.5, 0.35] as const;
/** Frames further apart than this look like steps; ones nearer than that leave room for more. */
const SLOW_MS = 45;
const QUICK_MS = 20;
/** A longer wait was no motion. */
const STILL_MS = 400;
/** So many frames one way before the sharpness follows. */
const IN_A_ROW = 3;

/** @param draw takes a share of the full sharpness */
export function paceOf(draw: (share: number) => void): Pace {
  let [at, slow, quick, lastMs, isCoarse] = [0, 0, 0, -Infinity, false];
  return {
    moved(nowMs) {
      const tookMs = nowMs - lastMs;
      lastMs = nowMs;
      if (tookMs > STILL_MS) [slow, quick] = [0, 0];
      else if (tookMs > SLOW_MS) [slow, quick] = [slow + 1, 0];
      else if (tookMs < QUICK_MS) [slow, quick] = [0, quick + 1];
      if (slow >= IN_A_ROW && at < SHARES.length - 1) [at, slow] = [at + 1, 0];
      if (quick >= IN_A_ROW * 10 && at > 0) [at, quick] = [at - 1, 0];
      if (at > 0 || isCoarse) draw(SHARES[at]!);
      isCoarse = at > 0;
    },
    rested() {
      if (!isCoarse) return false;
      isCoarse = false;
      draw(1);
      return true;
    },
  };
}
