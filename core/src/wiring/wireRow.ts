import type { Conductor, WireRole } from './conductor'
import type { Source } from './sources'

export interface WireEnd {
  readonly device: string
  readonly tag: string
  readonly deviceName: string
  readonly terminal: string
  readonly label: string
}

/** Cores that lie in one cable. */
interface Cable {
  readonly tag: string
  /** Tags of the devices where its screen is earthed; empty for a cable without one. */
  readonly screenAt: readonly string[]
}

/** One wire from terminal to terminal. Its identity is its two ends, so that ticks survive changes elsewhere. */
export interface WireRow {
  readonly id: string
  readonly number: number
  readonly from: WireEnd
  readonly to: WireEnd
  readonly role: WireRole
  /** Which hot it is, where there are several. */
  readonly phase?: 1 | 2 | 3
  /** By what it carries, not by what its terminals are rated for. */
  readonly circuit: 'mains' | 'extra-low'
  readonly conductor: Conductor
  readonly source: Source | undefined
  /** Tag of another source that keeps it live while the loop's own one is off. */
  readonly liveFrom?: string
  readonly cable?: Cable
  /** What hangs on it, as `device.port`: its current is the sum of theirs. */
  readonly serves: readonly string[]
  /** The supply that gives its voltage, and what protects it there. */
  readonly fedBy?: Fed
  /** What to know at this wire: a bridge between commons, a screen that ends free. */
  readonly hint?: string
}

export interface Fed {
  readonly tag: string
  readonly volts: number
  /** Fuse or breaker at that supply, A. */
  readonly protectionA: number
}

/** A wire that is not made because it must not be. */
interface Withheld {
  readonly connection: string
  readonly from: WireEnd
  readonly to: WireEnd
  readonly reason: string
}

export interface WireList {
  readonly rows: readonly WireRow[]
  readonly withheld: readonly Withheld[]
  readonly main: Source | undefined
}

/** Identity of a row: its two ends, whichever way round. */
export const rowId = (from: Pick<WireEnd, 'device' | 'terminal'>, to: Pick<WireEnd, 'device' | 'terminal'>) =>
  [`${from.device}:${from.terminal}`, `${to.device}:${to.terminal}`].sort().join('~')
