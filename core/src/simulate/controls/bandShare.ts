import type { Base, ControlHost, Following } from './host'

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

interface Asked {
  readonly share: number
  readonly integral: number
  readonly error: number
}

/** Share of full that a band asks for, with or without an integral. */
export class BandShare {
  share = 0
  private integral = 0
  private error = 0
  private readonly past: (number | null)[] = []
  private readonly late: number
  private readonly base: Base

  /** @param everyS how often it is asked */
  constructor(
    private readonly m: ControlHost,
    private readonly probe: number,
    private readonly control: BandLike & Following,
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

  /** Whether it goes by readings of before, so that each asking counts. */
  get remembers(): boolean {
    return this.late > 0
  }

  /** @param askedS since it was asked last */
  ask(askedS = this.everyS): number {
    const { share, integral, error } = this.next(this.read(), askedS)
    this.integral = integral
    this.error = error
    return (this.share = share)
  }

  /** Share that it would ask for now. Leaves everything as it is. */
  wouldAsk(askedS: number): number {
    return this.next(this.m.reading(this.probe), askedS).share
  }

  private next(reading: number | null, askedS: number): Asked {
    const { control, m, integral } = this
    const { leastShare = 0, mostShare = 1 } = control
    if (reading === null || m.isBroken(this.probe)) {
      const { probeFault } = control
      const kept = probeFault === 'on' ? mostShare : probeFault === 'duty' ? (control.dutyShare ?? 0.5) : 0
      return { share: probeFault === 'last' ? this.share : kept, integral, error: 0 }
    }
    const base = this.base.now()
    if (base === null) return { share: 0, integral, error: 0 }
    const proportional = (reading - base - control.zeroC) / (control.fullC - control.zeroC)
    let summed = integral
    let error = 0
    const clamp = (share: number) => Math.min(mostShare, Math.max(leastShare, share))
    if (control.integralS && control.setC !== undefined) {
      error = (reading - base - control.setC) / (control.fullC - control.zeroC)
      // Askings that were left out since are made up for as if it had come here in a straight line.
      const leftOut = askedS / this.everyS - 1
      const sum = error + (leftOut > 0 ? (leftOut * (this.error + error)) / 2 : 0)
      const next = integral + (sum * this.everyS) / control.integralS
      const raw = proportional + next
      // The integral stands still while it would only push further into the stop.
      if ((raw < mostShare || error < 0) && (raw > leastShare || error > 0)) summed = next
    }
    const raw = proportional + summed
    const share = control.stopsBelow && raw < leastShare ? 0 : raw <= 0 && leastShare === 0 ? 0 : clamp(raw)
    return { share, integral: summed, error }
  }
}
