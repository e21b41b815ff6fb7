/** Lets one at a time do something under a key; others under the same key wait, those under other keys do not. */
export class KeyedQueue {
  private readonly last = new Map<string, Promise<unknown>>()

  async run<T>(key: string, work: () => Promise<T>): Promise<T> {
    const before = this.last.get(key) ?? Promise.resolve()
    const mine = before.then(work, work)
    const settled = mine.catch(() => undefined)
    this.last.set(key, settled)
    try {
      return await mine
    } finally {
      if (this.last.get(key) === settled) this.last.delete(key)
    }
  }
}
