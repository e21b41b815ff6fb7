import type { Machine } from '../machine'

interface BandLike {
  readonly action: 'heating' | 'cooling'
  readonly zeroC: number
  readonly fullC: number
  readonly leastShare?: number
  readonly mostShare?: number
  readonly stopsBelow?: boolean
  readonly setC?: number
  readonly integralS?: number
  readonly probeFault: 'off' | 'on' | 'last' | 'duty'
  readonly dutyShare?: number
}

/** Share of full that a band asks for, with or without an integral. */
export class BandShare {
  share = 0
  private integral = 0
  private readonly past: (number | null)[] = []
  private readonly late: number
  private readonly base: ReturnType<Machine['base']>

  /** @param everyS how often it is asked */
  constructor(
    private readonly m: Machine,
    private readonly probe: number,
    private readonly control: BandLike & Parameters<Machine['base']>[0],
    private readonly everyS: number,
  ) {
    this.base = m.base(control)
    this.late = Math.round((m.program.scenario.probes[probe]!.deadS ?? 0) / everyS)
  }

  /** The reading as a reader with a dead time has it. */
  private read(): number | null {
    const now = this.m.reading(this.probe)
    if (this.late === 0) return now
    this.past.push(now)
    return this.past.length > this.late ? this.past.shift()! : this.past[0]!
  }

  ask(): number {
    const { control, m } = this
    const { leastShare = 0, mostShare = 1 } = control
    const reading = this.read()
    if (reading === null || m.isBroken(this.probe)) {
      const { probeFault } = control
      if (probeFault !== 'last')
        this.share = probeFault === 'on' ? mostShare : probeFault === 'duty' ? (control.dutyShare ?? 0.5) : 0
      return this.share
    }
    const base = this.base.now()
    if (base === null) return (this.share = 0)
    const proportional = (reading - base - control.zeroC) / (control.fullC - control.zeroC)
    const clamp = (share: number) => Math.min(mostShare, Math.max(leastShare, share))
    if (control.integralS && control.setC !== undefined) {
      const error = (reading - base - control.setC) / (control.fullC - control.zeroC)
      const next = this.integral + (error * this.everyS) / control.integralS
      const raw = proportional + next
      // The integral stands still while it would only push further into the stop.
      if ((raw < mostShare || error < 0) && (raw > leastShare || error > 0)) this.integral = next
    }
    const raw = proportional + this.integral
    this.share = control.stopsBelow && raw < leastShare ? 0 : raw <= 0 && leastShare === 0 ? 0 : clamp(raw)
    return this.share
  }
}
