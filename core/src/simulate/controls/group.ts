import type { Keys } from '../check/checkPart'
import type { ControlHost } from './host'
import type { GroupControl } from '../scenario'
import type { DefrostUnit } from './defrost'
import type { Unit } from './unit'

/** What is written of it in a scenario. */
export const groupKeys = { leader: 'text', members: 'list', waits: 'truth' } as const satisfies Keys

/** Coils that melt together: the leader's start starts all, and cooling may wait for the last. */
export class GroupUnit implements Unit {
  holds = false
  private readonly leader: DefrostUnit
  private readonly members: readonly DefrostUnit[]
  private told = false

  constructor(
    _: ControlHost,
    private readonly control: GroupControl,
    defrosts: ReadonlyMap<string, DefrostUnit>,
  ) {
    const find = (id: string) => {
      const unit = defrosts.get(id)
      if (!unit) throw new RangeError(`group ${control.id}: ${id} is no control of kind defrost`)
      return unit
    }
    this.leader = find(control.leader)
    this.members = control.members.map(find)
    const mayCool = () => !control.waits || [this.leader, ...this.members].every(({ melted }) => melted)
    this.leader.led = { starts: true, mayCool }
    for (const member of this.members) member.led = { starts: false, mayCool }
  }

  act(): void {
    if (this.leader.melting && !this.told) {
      for (const member of this.members) {
        member.start()
        member.act()
      }
      this.told = true
    }
    if (!this.leader.melting) this.told = false
    this.holds = [this.leader, ...this.members].some(({ melting }) => melting)
    // The one that melted last lets the others go.
    if (this.control.waits) for (const unit of [this.leader, ...this.members]) unit.act()
  }

  arm(): void {
    // Its members say what they wait for.
  }

  give(): void {
    // Its members drive.
  }
}
