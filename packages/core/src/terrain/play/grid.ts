/** Squared distances are kept under this; no table is as long. */
const FAR = 1e12;

/**
 * Distance from every cell's centre to the nearest marked cell's centre, in cells; Infinity where nothing is marked.
 * @source Felzenszwalb & Huttenlocher 2012, Distance Transforms of Sampled Functions: exact, linear, columns then rows
 */
export function distanceCells(marked: Uint8Array, cols: number, rows: number): Float32Array {
  const squared = new Float64Array(cols * rows);
  for (let i = 0; i < squared.length; i++) squared[i] = marked[i] === 0 ? FAR : 0;
  const longest = Math.max(cols, rows);
  const line = new Float64Array(longest);
  const out = new Float64Array(longest);
  const hull = new Int32Array(longest);
  const border = new Float64Array(longest + 1);
  for (let x = 0; x < cols; x++) {
    for (let y = 0; y < rows; y++) line[y] = squared[y * cols + x]!;
    lowerEnvelope(line, rows, out, hull, border);
    for (let y = 0; y < rows; y++) squared[y * cols + x] = out[y]!;
  }
  const distance = new Float32Array(cols * rows);
  for (let y = 0; y < rows; y++) {
    for (let x = 0; x < cols; x++) line[x] = squared[y * cols + x]!;
    lowerEnvelope(line, cols, out, hull, border);
    for (let x = 0; x < cols; x++) distance[y * cols + x] = out[x]! >= FAR / 2 ? Infinity : Math.sqrt(out[x]!);
  }
  return distance;
}

/** The lower envelope of the parabolas f(q) + (x − q)², read off at every x. */
function lowerEnvelope(f: Float64Array, n: number, out: Float64Array, hull: Int32Array, border: Float64Array): void {
  let k = 0;
  hull[0] = 0;
  border[0] = -Infinity;
  border[1] = Infinity;
  for (let q = 1; q < n; q++) {
    let s = meet(f, hull[k]!, q);
    while (s <= border[k]!) s = meet(f, hull[--k]!, q);
    hull[++k] = q;
    border[k] = s;
    border[k + 1] = Infinity;
  }
  k = 0;
  for (let x = 0; x < n; x++) {
    while (border[k + 1]! < x) k += 1;
    out[x] = (x - hull[k]!) ** 2 + f[hull[k]!]!;
  }
}

/** Where the parabolas of p and q cross. */
const meet = (f: Float64Array, p: number, q: number): number => (f[q]! + q * q - (f[p]! + p * p)) / (2 * q - 2 * p);

/** Cells within a distance of a centre, as offsets. */
export function disc(radiusCells: number): readonly (readonly [number, number])[] {
  const whole = Math.floor(radiusCells);
  const found: (readonly [number, number])[] = [];
  for (let y = -whole; y <= whole; y++)
    for (let x = -whole; x <= whole; x++) if (Math.hypot(x, y) <= radiusCells + 1e-9) found.push([x, y]);
  return found;
}
