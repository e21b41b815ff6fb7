import type { Practice } from '../../units/practice'
import { sizeWords } from '../sizeWords'
import type { ContactDuty } from '../../choices/deviceChoices'
import type { Words } from '../words'
import type { Sentences } from '../sentences'
import { sayStep, type StepFact } from '../stepWords'

/** What a contact is there for; what cuts out at a limit has a word of each practice. */
const dutyWords = {
  protection: 'protection',
  control: 'control',
  hand: 'switch',
  time: 'timer',
  other: 'contact',
}

/** Sentences of the findings about wires, fuses and contacts. */
export const wireFindings = {
  C080_SAFETY_BY_PASSED: (
    f: {
      readonly name: string
      readonly contactName: string
      readonly tag: string
      readonly duty: ContactDuty
    },
    { term }: Words,
  ): Sentences => ({
    head: `${f.name} ${term('bypasses')} ${f.contactName}.`,
    reason: `With ${f.name} closed ${f.tag} runs whatever the ${f.duty === 'limit' ? term('limiter') : dutyWords[f.duty]} ${f.contactName} does.`,
    remedy: `Lay ${f.name} across the control alone, so that ${f.contactName} stays in series.`,
  }),
  C081_CONTROL_OVERRIDDEN: (f: {
    readonly name: string
    readonly tag: string
    readonly contactName: string
    readonly protects: readonly string[]
  }): Sentences => ({
    head: `${f.name} runs ${f.tag} past ${f.contactName}.`,
    reason:
      f.protects.length > 0
        ? `While it is closed only ${f.protects.join(' and ')} can stop it.`
        : 'While it is closed nothing stops it.',
    remedy: 'Mark the switch, and put it on the temporary list whenever it is left in hand.',
  }),
  C082_FOUND_ON_WRONG_PAIR: (
    f: { readonly volts: number; readonly terminal: string; readonly name: string; readonly made: readonly string[] },
    { say }: Words,
  ): Sentences => ({
    head: `${say(f.volts, 'voltage')} was found on terminal ${f.terminal} of ${f.name}.`,
    reason: `That pair is made for ${f.made.join(' or ')}.`,
    remedy:
      'Isolate before anything else. Take the pair for this voltage; whether the device survived shows its display.',
  }),
  C083_VOLTAGE_DROP: (
    f: {
      readonly tag: string
      readonly endV: number
      readonly volts: number
      readonly dropV: number
      readonly dropPercent: number
      readonly allowedPercent: number
      readonly allowedBy: string
    },
    { say }: Words,
  ): Sentences => ({
    head: `${f.tag} gets ${say(f.endV, 'voltage')} of ${say(f.volts, 'voltage')}.`,
    reason: `The wires take ${say(f.dropV, 'voltage')}, ${f.dropPercent.toFixed(1)} %; ${f.allowedPercent.toFixed(1)} % is the usual limit (${f.allowedBy}).`,
    remedy: 'A thicker conductor, a shorter way, or a supply nearby.',
  }),
  C084_THIN_FOR_ITS_FUSE: (
    f: {
      readonly wire: number
      readonly practice: Practice
      readonly sizeMm2: number
      readonly protectionA: number
      readonly tag: string
      readonly currentA: number
      readonly usualMm2: number | null
    },
    { say }: Words,
  ): Sentences => ({
    head: `Wire ${f.wire} is thin for its fuse.`,
    reason: `${sizeWords(f.practice, f.sizeMm2)} behind ${say(f.protectionA, 'current', 0)} at ${f.tag}; it carries ${say(f.currentA, 'current')}, but in a fault the fuse must save it.`,
    remedy: `Usual here is ${sizeWords(f.practice, f.usualMm2)}, or a smaller fuse for this branch. Local code decides.`,
  }),
  C085_OVER_ITS_FUSE: (
    f: {
      readonly draw: readonly string[]
      readonly tag: string
      readonly amps: number
      readonly practice: Practice
      readonly fuse: number
    },
    { say }: Words,
  ): Sentences => ({
    head: `${f.draw.join(', ')} draw more than ${f.tag} lets through.`,
    reason: `${say(f.amps, 'current')}${f.practice === 'us' ? ', what runs for hours at 125 %,' : ''} on a fuse of ${say(f.fuse, 'current', 0)}.`,
    remedy: 'A circuit of its own for part of it, by the licensed trade.',
  }),
  C086_NOT_PROVED: (f: { readonly title: string; readonly found: StepFact | undefined }): Sentences => {
    const { cause, next } = f.found ? sayStep(f.found) : { cause: 'It failed.', next: 'Mend it and measure again.' }
    return { head: `Not proved, do not energise: ${f.title}.`, reason: cause, remedy: next }
  },
  C087_DEAD_TESTS_OPEN: (f: {
    readonly openCount: number
    readonly isolate: number
    readonly isolateCount: number
    readonly dead: number
    readonly deadCount: number
    readonly live: number
    readonly liveCount: number
  }): Sentences => ({
    head: `${f.openCount} safety steps wait.`,
    reason: `${f.isolate} of ${f.isolateCount} of isolating, ${f.dead} of ${f.deadCount} dead tests, ${f.live} of ${f.liveCount} of first live are recorded.`,
    remedy: 'Go through them; where they stand on the form of your trade, say on which.',
  }),
}
