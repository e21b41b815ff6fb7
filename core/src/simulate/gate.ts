import { carries, contactsOf } from '../wiring/contactLogic'
import { heldBy } from './heldBy'
import { CALLED, type Expression } from './scenario'

/** What stands in the line of one actuator. */
interface Standing {
  /** Each must hold for it to run. */
  readonly permits: readonly Expression[]
  /** All of its contacts, where more than a row of them is in the way of its calls. */
  readonly line: Expression | undefined
  /** Whether a named condition holds now. */
  readonly holds: (name: string) => boolean
}

/** The contacts before one actuator: what they let through of a call, and which of them hold it off. */
export class Gate {
  readonly names: readonly string[]
  private called = false
  private readonly whole: Expression

  constructor(private readonly standing: Standing) {
    const { permits, line } = standing
    this.whole = { and: line === undefined ? permits : [line, ...permits] }
    this.names = contactsOf(this.whole)
  }

  /** Whether a contact holds; `CALLED` is what the last call was. */
  holds = (name: string): boolean => (name === CALLED ? this.called : this.standing.holds(name))

  /** Share that runs of a share that is called. */
  passes(share: number): number {
    this.called = share > 0
    const { permits, line } = this.standing
    if (!permits.every((permit) => carries(permit, this.holds))) return 0
    if (line === undefined) return share
    return carries(line, this.holds) ? share || 1 : 0
  }

  /** Contacts that hold off what is called. */
  heldBy(): readonly string[] {
    return heldBy(this.whole, this.holds)
  }
}
