/**
 * A source of many parts that is read through a view: the view notes the parts that were read, and stands for every later source in which those are the same.
 * What is kept of a stage that reads the catalogue so outlives a change of a list that it does not read.
 */
export class PartsRead<Source extends object> {
  readonly view: Source;
  private readonly parts = new Map<PropertyKey, unknown>();

  constructor(private source: Source) {
    const read = (key: PropertyKey): unknown => {
      const part: unknown = Reflect.get(this.source, key);
      this.parts.set(key, part);
      return part;
    };
    // No plain object: whoever compares views by what they hold would read all of them.
    this.view = new Proxy(Object.create(null) as Source, {
      get: (_, key) => read(key),
      has: (_, key) => (read(key), Reflect.has(this.source, key)),
      ownKeys: () => Reflect.ownKeys(this.source),
      getOwnPropertyDescriptor: (_, key) => ({ value: read(key), enumerable: true, configurable: true }),
    });
  }

  /** Whether all that was read is the same in another source. If so, the view reads that one from now on. */
  follows(source: Source): boolean {
    if (source === this.source) return true;
    for (const [key, part] of this.parts) if (Reflect.get(source, key) !== part) return false;
    this.source = source;
    return true;
  }
}
