/** Entries of the upper layer at most: copying so many costs some microseconds, and a new base comes once in so many. */
const mostAbove = 512;

/**
 * A map that can be copied at every entry: what is old lies in a base shared by all copies and never written again, what
 * is new in a thin layer above. Only the layer is copied; when it has grown thick, a new base is laid.
 *
 * Keys keep the order in which they were first set. Taking one out lays a new base: a logbook hardly ever does.
 */
export class LayeredMap<K, V> extends Map<K, V> {
  #base: ReadonlyMap<K, V>;
  #above: Map<K, V>;
  /** keys of the layer that the base does not have */
  #more: number;

  constructor(from: ReadonlyMap<K, V>) {
    super();
    if (from instanceof LayeredMap) {
      const other = from as LayeredMap<K, V>;
      this.#base = other.#base;
      this.#above = new Map(other.#above);
      this.#more = other.#more;
    } else {
      this.#base = from;
      this.#above = new Map();
      this.#more = 0;
    }
  }

  override get size(): number {
    return this.#base.size + this.#more;
  }
  override get(key: K): V | undefined {
    return this.#above.has(key) ? this.#above.get(key) : this.#base.get(key);
  }
  override has(key: K): boolean {
    return this.#above.has(key) || this.#base.has(key);
  }
  override set(key: K, value: V): this {
    if (this.#above.size >= mostAbove && !this.#above.has(key)) this.#layBase(new Map(this));
    if (!this.has(key)) this.#more += 1;
    this.#above.set(key, value);
    return this;
  }
  override delete(key: K): boolean {
    const rest = new Map(this);
    const was = rest.delete(key);
    if (was) this.#layBase(rest);
    return was;
  }
  override clear(): void {
    this.#layBase(new Map());
  }
  #layBase(base: ReadonlyMap<K, V>): void {
    this.#base = base;
    this.#above = new Map();
    this.#more = 0;
  }
  override *entries(): MapIterator<[K, V]> {
    for (const [key, value] of this.#base) yield [key, this.#above.has(key) ? (this.#above.get(key) as V) : value];
    if (this.#more > 0) for (const entry of this.#above) if (!this.#base.has(entry[0])) yield entry;
  }
  override *keys(): MapIterator<K> {
    for (const [key] of this.entries()) yield key;
  }
  override *values(): MapIterator<V> {
    for (const [, value] of this.entries()) yield value;
  }
  override [Symbol.iterator](): MapIterator<[K, V]> {
    return this.entries();
  }
  override forEach(each: (value: V, key: K, map: Map<K, V>) => void): void {
    for (const [key, value] of this.entries()) each(value, key, this);
  }
}
