const NONE = 0;

/** How many, or how much, of each; of what was never counted there is none. */
export class Tally<K> {
  private readonly sums = new Map<K, number>();

  constructor(keys: Iterable<K> = []) {
    for (const key of keys) this.add(key);
  }

  add(key: K, many = 1): void {
    this.sums.set(key, this.of(key) + many);
  }

  of(key: K): number {
    return this.sums.get(key) ?? NONE;
  }

  /** What was counted, in order of first appearance. */
  entries(): readonly (readonly [K, number])[] {
    return [...this.sums];
  }

  /** What was counted, most first; those of equal number in order of first appearance. */
  mostFirst(): readonly (readonly [K, number])[] {
    return [...this.sums].sort(([, one], [, other]) => other - one);
  }
}
