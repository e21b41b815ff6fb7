import { setTimeout as pause } from 'node:timers/promises'

/** Why the database cannot serve now, by kind. */
export type Trouble = 'away' | 'full' | 'read-only' | 'busy'

const causes = function* (error: unknown): Generator<{ readonly code?: unknown; readonly message?: unknown }> {
  for (let here = error, n = 0; here !== null && typeof here === 'object' && n < 6; n++) {
    yield here as { code?: unknown }
    here = (here as { cause?: unknown }).cause
  }
}

/** Codes of an error and of what caused it. */
export const codesIn = (error: unknown): readonly string[] =>
  [...causes(error)].flatMap(({ code }) => (typeof code === 'string' ? [code] : []))

/** What the innermost cause of an error says. */
export const saidBy = (error: unknown): string => String([...causes(error)].at(-1)?.message ?? error)

const GONE = /^(08...|57P0.|58...|ECONN.*|EPIPE|ETIMEDOUT|ENOTFOUND|EAI_AGAIN|EHOSTUNREACH|ENGINE_GONE)$/
const GONE_WORDS =
  /connection (terminated|timeout)|connect(ion)? (error|timed out)|timeout exceeded when trying to connect|not queryable|Cannot use a pool after/i

/** What kind of trouble an error tells of; nothing where it is the request's own fault or the program's. */
export function troubleIn(error: unknown): Trouble | undefined {
  for (const { code, message } of causes(error)) {
    const said = typeof code === 'string' ? code : ''
    if (said === '53100' || said === 'ENOSPC' || said === 'EDQUOT') return 'full'
    if (said === '25006' || said === 'EROFS') return 'read-only'
    if (said.startsWith('53') || said === 'EMFILE' || said === 'ENFILE') return 'busy'
    if (GONE.test(said)) return 'away'
    if (typeof message === 'string') {
      if (/No space left on device/i.test(message)) return 'full'
      if (/Read-only file system/i.test(message)) return 'read-only'
      if (/Too many open files/i.test(message)) return 'busy'
      if (said === '' && GONE_WORDS.test(message)) return 'away'
    }
  }
  return undefined
}

/** Trouble in words for whoever types: what is wrong, and that nothing is lost. */
export const troubleWords: Readonly<Record<Trouble, string>> = {
  away: 'the database does not answer; what you type waits on your device and is sent when it is back',
  full: 'the disk of the server is full; what you type waits on your device. Make room on that disk, it goes on by itself',
  'read-only':
    'the disk of the server is read-only; what you type waits on your device. Make its data folder writable, it goes on by itself',
  busy: 'the server is out of files or memory for a moment; what you type waits on your device and is sent again',
}

const PAUSES_MS = [100, 200, 400, 800, 1600, 3200, 5000]

/** Whether the database serves; where it does not, asks again with growing pauses until it does. */
export class Availability {
  private trouble: { readonly kind: Trouble; readonly since: string; readonly said: string } | undefined
  private asking: Promise<void> | undefined
  private closed = false

  /**
   * @param probe asks the database for something; opens it anew first where that is needed
   * @param warn told once each time that it goes and comes
   */
  constructor(
    private readonly probe: () => Promise<unknown>,
    private readonly now: () => string,
    private readonly warn: (message: string) => void,
  ) {}

  /** What keeps it from serving, and since when. */
  get away() {
    return this.trouble
  }

  /** Told of every error that a request met: one that tells of a lost database begins the waiting. */
  failed(error: unknown): Trouble | undefined {
    const kind = troubleIn(error)
    if (kind === 'away') this.lost(kind, error)
    return kind
  }

  lost(kind: Trouble, error: unknown) {
    if (this.trouble || this.closed) return
    const said = error instanceof Error ? error.message : String(error)
    this.trouble = { kind, since: this.now(), said }
    this.warn(`the database does not serve: ${said}`)
    this.asking = this.askAgain()
  }

  private async askAgain() {
    for (let n = 0; !this.closed; n++) {
      await pause(PAUSES_MS[Math.min(n, PAUSES_MS.length - 1)], undefined, { ref: false })
      try {
        await this.probe()
        if (this.trouble) this.warn(`the database serves again, after ${this.trouble.since}`)
        this.trouble = undefined
        return
      } catch (error) {
        const kind = troubleIn(error) ?? 'away'
        if (this.trouble) this.trouble = { ...this.trouble, kind }
      }
    }
  }

  /** Asks no more. */
  close() {
    this.closed = true
  }

  /** Resolves when no asking is under way. */
  async settled() {
    await this.asking
  }
}
