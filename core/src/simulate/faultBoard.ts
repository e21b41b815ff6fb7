import type { ControlHost } from './controls/host'
import type { ProbeViews } from './probeViews'
import type { Place, PlantFaults, Program } from './program'
import type { Fault } from './scenario'

/** The faults of a run: which are there now, and what each does to probes, inputs, relays and plant. */
export class FaultBoard {
  /** What they do to the plant. */
  plant: PlantFaults = { epoch: 0, powerFactor: 1, doors: [], moved: new Map() }
  /** Inputs and relays that a fault holds. */
  readonly stuck = new Map<string, boolean>()
  readonly relays = new Map<string, boolean>()
  private readonly pending: { readonly fault: Fault; active: boolean }[]

  constructor(
    private readonly program: Program,
    private readonly host: ControlHost,
    private readonly views: ProbeViews,
  ) {
    this.pending = (program.scenario.faults ?? []).map((fault) => ({ fault, active: false }))
  }

  /** Holds every fault against what is there. @throws RangeError naming what is not */
  checkAll(): void {
    for (const { fault } of this.pending) this.check(fault)
  }

  /** Lets those begin and end that are due. */
  turn(): void {
    const { host } = this
    let changed = false
    for (const item of this.pending) {
      const { fault } = item
      const due = host.ticksOf(fault.atS) <= host.tick
      const over = fault.untilS !== undefined && host.ticksOf(fault.untilS) <= host.tick
      if (due && !over !== item.active) {
        item.active = due && !over
        changed = true
        host.event(item.active ? 'fault' : 'fault-over', faultOf(fault), fault.kind)
      }
      if (item.active && fault.kind === 'sun') changed = true
    }
    if (changed) this.apply()
  }

  /** Says when the next may begin or end. */
  arm(): void {
    const { host } = this
    for (const { fault, active } of this.pending) {
      host.timer(host.ticksOf(fault.atS))
      if (active && fault.untilS !== undefined) host.timer(host.ticksOf(fault.untilS))
      if (active && fault.kind === 'sun') host.timer(host.ticksOf(host.nextEdge([fault.hours])))
    }
  }

  private apply(): void {
    const { scenario, actuator, probe, place } = this.program
    const { views } = this
    views.mend()
    this.stuck.clear()
    this.relays.clear()
    const doors: { node: number; to: Place; wPerK: number }[] = []
    const moved = new Map<number, Place>()
    let powerFactor = 1
    for (const { fault, active } of this.pending) {
      if (!active) continue
      switch (fault.kind) {
        case 'open':
        case 'short':
          views.breaks(probe(fault.probe))
          break
        case 'drifted':
          views.drifts(probe(fault.probe), fault.byK)
          break
        case 'sun':
          if (this.host.withinHours(fault.hours)) views.drifts(probe(fault.probe), fault.byK)
          break
        case 'wrong-kind':
          views.showsBy(probe(fault.probe), fault.shows)
          break
        case 'fallen-off':
          moved.set(probe(fault.probe), place(fault.place))
          break
        case 'welded':
        case 'dead':
          actuator(fault.actuator)
          this.relays.set(fault.actuator, fault.kind === 'welded')
          break
        case 'stage-missing': {
          const control = scenario.controls.find(({ id }) => id === fault.control)
          if (control?.kind === 'staged') this.relays.set(control.stages[fault.stage - 1]!.drives, false)
          break
        }
        case 'supply-low':
          powerFactor *= fault.share ** 2
          break
        case 'stuck-open':
        case 'stuck-closed':
          this.stuck.set(fault.input, fault.kind === 'stuck-closed')
          break
        case 'door-open':
          doors.push({ node: (place(fault.node) as { node: number }).node, to: place(fault.to), wPerK: fault.wPerK })
      }
    }
    const faults = this.plant
    const plantTouched =
      powerFactor !== faults.powerFactor ||
      JSON.stringify([doors, ...moved]) !== JSON.stringify([faults.doors, ...faults.moved])
    this.plant = { epoch: faults.epoch + (plantTouched ? 1 : 0), powerFactor, doors, moved }
  }

  private check(fault: Fault): void {
    const { actuator, probe, place, scenario } = this.program
    if ('probe' in fault) probe(fault.probe)
    if ('actuator' in fault) actuator(fault.actuator)
    if ('place' in fault) place(fault.place)
    if ('input' in fault) this.host.condition(fault.input)
    if (fault.kind === 'door-open') {
      if (!('node' in place(fault.node)))
        throw new RangeError(`node ${fault.node} of a door must be a node, not a boundary`)
      place(fault.to)
    }
    if (fault.kind === 'stage-missing') {
      const control = scenario.controls.find(({ id }) => id === fault.control)
      if (control?.kind !== 'staged' || !control.stages[fault.stage - 1])
        throw new RangeError(`stage ${fault.stage} of control ${fault.control} is not in the scenario`)
    }
  }
}

const faultOf = (fault: Fault): string =>
  'probe' in fault
    ? fault.probe
    : 'actuator' in fault
      ? fault.actuator
      : 'input' in fault
        ? fault.input
        : 'control' in fault
          ? `${fault.control} ${fault.stage}`
          : 'node' in fault
            ? fault.node
            : 'supply'
