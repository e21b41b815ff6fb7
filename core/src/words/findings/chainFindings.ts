import type { Words } from '../words'
import { type ConnectionFact, sayConnection } from '../connectionWords'
import type { Sentences } from '../sentences'

const WHY: Readonly<Record<string, string>> = {
  flow: 'Without flow the heater boils what stands in it, or the evaporator freezes and bursts.',
  frost: 'Liquid under its freezing margin bursts the evaporator into the refrigerant circuit.',
  co: 'Exhaust that leaks into the cabin has no smell.',
  'air-flow': 'A fan that is commanded is not yet a fan that turns.',
}

const notThere = (what: string, remedy: string): Sentences => ({
  head: `No ${what} yet.`,
  reason: `The chain has no ${what}.`,
  remedy,
})

interface ConnectionFigures {
  readonly from: string
  readonly to: string
  /** Why, and what to do. */
  readonly found: ConnectionFact
}

function ofConnection({ from, to, found }: ConnectionFigures, verdict: string, words: Words): Sentences {
  const { reason, remedy = 'Choose another device.' } = sayConnection(found, words)
  return { head: `${from} to ${to}: ${verdict}.`, reason, remedy }
}

/** Sentences of the findings about what is there and how it is joined. */
export const chainFindings = {
  C005_DRIVES_NOTHING: (f: { readonly tag: string; readonly outputsCount: number }): Sentences => ({
    head: `${f.tag} drives nothing.`,
    reason: `None of its ${f.outputsCount === 1 ? 'outputs' : `${f.outputsCount} outputs`} ends in a load.`,
    remedy: 'Choose a load, or join an output to one.',
  }),
  C153_RUN_OPEN: (f: { readonly tag: string; readonly name: string; readonly port: string }): Sentences => ({
    head: `Nothing closes ${f.port} of ${f.tag}.`,
    reason: `${f.name} stands still while that is open, whatever speed it is told.`,
    remedy:
      'A dry contact of the control, a switch, or a guard that must hold; never a bare link where somebody may reach the fan.',
  }),
  C160_RADIO_STAYS: (
    f: { readonly tag: string; readonly loads: readonly string[]; readonly rangeM: number },
    { say }: Words,
  ): Sentences => ({
    head: `${f.tag} keeps ${f.loads.join(', ')} as it was when its radio is lost.`,
    reason: `It reaches about ${say(f.rangeM, 'length', 0)} indoors. Beyond it, or with an empty battery, nobody can switch it off.`,
    remedy: 'Let it open when it hears nothing; what must run then has its own control.',
  }),
  C008_NOT_FED: (f: {
    readonly tag: string
    readonly name: string
    readonly port: string
    readonly windows: readonly { readonly lowV: number; readonly highV: number; readonly current: string }[]
  }): Sentences => ({
    head: `Nothing feeds ${f.tag}.`,
    reason: `${f.name}, ${f.port}: ${f.windows.map(({ lowV, highV, current }) => `${lowV} to ${highV} V ${current.toUpperCase().replace('-', ' or ')}`).join(', or ')}.`,
    remedy: 'Choose a supply in this window.',
  }),
  C006_LINE_NOT_FED: (f: { readonly tag: string; readonly contacts: readonly string[] }): Sentences => ({
    head: `Nothing feeds the line of ${f.tag}.`,
    reason: `It runs through ${f.contacts.join(', ')} and ends there.`,
    remedy: 'Choose the supply that feeds it.',
  }),
  C036_CROSSED: (f: {
    readonly action: 'heating' | 'cooling'
    readonly tag: string
    readonly planAction: 'heating' | 'cooling'
  }): Sentences => ({
    head: `The output ${f.action === 'heating' ? 'heats' : 'cools'}, ${f.tag} does the opposite.`,
    reason: `It would run the more the ${f.planAction === 'heating' ? 'colder' : 'warmer'} it gets, and make it worse.`,
    remedy: `Turn the action to ${f.planAction === 'heating' ? 'cooling' : 'heating'}, or join another load.`,
  }),
  C007_NOT_JOINED: (f: { readonly tag: string; readonly name: string }): Sentences => ({
    head: `${f.tag} ${f.name} is in no line.`,
    reason: 'It hangs beside the chain and stops nothing.',
    remedy: 'Join it into the line that it is to open, or take it out.',
  }),

  C001_NO_PROBE: (): Sentences => notThere('probe', 'Choose one from the shelf.'),
  C002_NO_CONTROLLER: (): Sentences => notThere('controller', 'Choose one from the shelf.'),
  C003_NO_LOAD: (): Sentences => notThere('load', 'Choose what the output drives.'),
  C004_NO_SUPPLY: (): Sentences => notThere('supply', 'Choose the circuit that feeds it.'),
  C010_DOES_NOT_FIT: (f: ConnectionFigures, words: Words): Sentences => ofConnection(f, 'does not fit', words),
  C011_CONNECTION_LOOK: (f: ConnectionFigures, words: Words): Sentences => ofConnection(f, 'look again', words),
  C046_NOT_PROVED: (f: {
    readonly as: string
    readonly tag: string
    readonly senses: string | undefined
  }): Sentences => ({
    head: `No ${f.as} before ${f.tag}.`,
    reason: WHY[f.senses ?? 'flow'] ?? 'It may run with nothing to carry its heat.',
    remedy: `Put ${/^[aeiou]/i.test(f.as) ? 'an' : 'a'} ${f.as} in series in this line.`,
  }),
}
