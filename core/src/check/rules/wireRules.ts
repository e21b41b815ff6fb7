import type { ResolvedDevice } from '../../document/chain'
import { safetyBlocks } from '../../commissioning/safetyBlocks'
import { safetyBlockIds } from '../../commissioning/safetyStep'
import { sizeTable, sizeWords } from '../../wiring/conductor'
import { endVoltages, rowLoads } from '../../wiring/conductors'
import { loadLogics } from '../../wiring/loadLogic'
import type { Finding } from '../finding'
import { lookAgain, type Rule, stop, told } from './rule'

const dutyWords = {
  limit: 'limiter',
  protection: 'protection',
  control: 'control',
  hand: 'switch',
  time: 'timer',
  other: 'contact',
}

/** A contact that protects and that another one makes ineffective. */
const bypassed: Rule = ({ chain }) =>
  loadLogics(chain).flatMap(({ load, portId, defeats }) =>
    defeats
      .filter(({ safety }) => safety)
      .map(({ contact, by }) =>
        stop(
          'C080_SAFETY_BY_PASSED',
          {
            about: `${load.id}.${portId}.${contact.name}`,
            head: `${by.name} by-passes ${contact.name}.`,
            reason: `With ${by.name} closed ${load.tag} runs whatever the ${dutyWords[contact.duty]} ${contact.name} does.`,
            remedy: `Lay ${by.name} across the control alone, so that ${contact.name} stays in series.`,
          },
          'wire',
        ),
      ),
  )

/** A switch that runs the load past its control: allowed, but seen. */
const overridden: Rule = ({ chain }) =>
  loadLogics(chain).flatMap(({ load, portId, defeats, protects }) => {
    const past = defeats.filter(
      ({ contact, safety, by }) => !safety && contact.duty === 'control' && by.duty !== 'control',
    )
    const first = past[0]
    if (!first) return []
    return [
      lookAgain(
        'C081_CONTROL_OVERRIDDEN',
        {
          about: `${load.id}.${portId}`,
          head: `${first.by.name} runs ${load.tag} past ${first.contact.name}.`,
          reason:
            protects.length > 0
              ? `While it is closed only ${protects.map(({ name }) => name).join(' and ')} can stop it.`
              : 'While it is closed nothing stops it.',
          remedy: 'Mark the switch, and put it on the temporary list whenever it is left in hand.',
        },
        'wire',
      ),
    ]
  })

/** Voltage that was found on a pair of terminals which is for another one. */
const foundOnWrongPair: Rule = ({ job, loop, words }) => {
  const { profile, terminals = {} } = loop.survey.found ?? {}
  const facts = profile === undefined ? undefined : job.profiles[profile]
  if (!facts) return []
  const variants = Object.values(facts.ports).flatMap((port) =>
    port.kind === 'supply-in' ? Object.values(port.variants) : [],
  )
  return Object.entries(terminals).flatMap(([id, { terminal, volts }]): Finding[] => {
    if (volts === undefined || Math.abs(volts) < LEAST_V) return []
    const mine = variants.filter(({ line, neutral }) =>
      [line, neutral].some((each) => each === terminal || facts.terminals[each]?.label === terminal),
    )
    if (mine.length === 0 || mine.some(({ lowV, highV }) => volts >= lowV && volts <= highV)) return []
    const made = mine.map(({ lowV, highV }) => `${words.say(lowV, 'voltage')} to ${words.say(highV, 'voltage')}`)
    return [
      stop(
        'C082_FOUND_ON_WRONG_PAIR',
        {
          about: id,
          head: `${words.say(volts, 'voltage')} was found on terminal ${terminal} of ${facts.name}.`,
          reason: `That pair is made for ${made.join(' or ')}.`,
          remedy:
            'Isolate before anything else. Take the pair for this voltage; whether the device survived shows its display.',
        },
        'wire',
      ),
    ]
  })
}
/** Less than this is what a meter picks up, V. */
const LEAST_V = 2

/** Too little voltage left at the end of the wires. */
const drop: Rule = ({ chain, rows, loop, data, job, words }) =>
  endVoltages(rowLoads(rows, chain, loop.wiring.rows, job.practice), chain, data)
    .filter(({ enough, measured }) => measured && !enough)
    .map(({ device, portId, dropV, endV, dropPercent, allowedPercent, allowedBy, supply }) =>
      lookAgain(
        'C083_VOLTAGE_DROP',
        {
          about: `${device.id}.${portId}`,
          head: `${device.tag} gets ${words.say(endV, 'voltage')} of ${words.say(supply.volts, 'voltage')}.`,
          reason: `The wires take ${words.say(dropV, 'voltage')}, ${dropPercent.toFixed(1)} %; ${allowedPercent.toFixed(1)} % is the usual limit (${allowedBy}).`,
          remedy: 'A thicker conductor, a shorter way, or a supply nearby.',
        },
        'wire',
      ),
    )

/** A conductor thinner than what this practice usually asks for behind its fuse. */
const thinForFuse: Rule = ({ chain, rows, loop, job, words }) =>
  rowLoads(rows, chain, loop.wiring.rows, job.practice).flatMap(({ row, sizeMm2, usualMm2, currentA }): Finding[] => {
    if (usualMm2 == null || sizeMm2 === null || row.role === 'motor' || !row.fedBy) return []
    if (sizeMm2 >= usualMm2 - 1e-9) return []
    return [
      lookAgain(
        'C084_THIN_FOR_ITS_FUSE',
        {
          about: row.id,
          head: `Wire ${row.number} is thin for its fuse.`,
          reason: `${sizeWords(job.practice, sizeMm2)} behind ${words.say(row.fedBy.protectionA, 'current', 0)} at ${row.fedBy.tag}; it carries ${words.say(currentA, 'current')}, but in a fault the fuse must save it.`,
          remedy: `Usual here is ${sizeWords(job.practice, usualMm2)}, or a smaller fuse for this branch. Local code decides.`,
        },
        'wire',
      ),
    ]
  })

/** A wire whose section the table no longer gives, and nobody has written. */
const outsideTable: Rule = (context) =>
  rowLoads(context.rows, context.chain, context.loop.wiring.rows, context.job.practice).flatMap(
    ({ row, sizeMm2 }): Finding[] => {
      const fed = row.fedBy
      if (sizeMm2 !== null || !fed) return []
      const { title, mostA } = sizeTable(context.job.practice)
      return [
        told(
          context,
          'C130_OUTSIDE_TABLE',
          row.id,
          { wire: row.number, tag: fed.tag, fuseA: fed.protectionA, mostA, table: title },
          { step: 'wire' },
        ),
      ]
    },
  )

/** More current on a wire than what protects it lets through. */
const overFuse: Rule = ({ chain, rows, loop, job, words }) => {
  const most = new Map<
    string,
    { readonly amps: number; readonly fuse: number; readonly devices: readonly ResolvedDevice[] }
  >()
  for (const { row, designA } of rowLoads(rows, chain, loop.wiring.rows, job.practice)) {
    if (!row.fedBy || row.role === 'motor') continue
    const devices = row.serves.flatMap((key) => chain.devices.filter(({ id }) => key.startsWith(`${id}.`)))
    if (designA > (most.get(row.fedBy.tag)?.amps ?? 0))
      most.set(row.fedBy.tag, { amps: designA, fuse: row.fedBy.protectionA, devices })
  }
  return [...most].flatMap(([tag, { amps, fuse, devices }]): Finding[] =>
    fuse > 0 && amps > fuse
      ? [
          lookAgain(
            'C085_OVER_ITS_FUSE',
            {
              about: tag,
              head: `${devices.map((each) => each.tag).join(', ')} draw more than ${tag} lets through.`,
              reason: `${words.say(amps, 'current')}${job.practice === 'us' ? ', what runs for hours at 125 %,' : ''} on a fuse of ${words.say(fuse, 'current', 0)}.`,
              remedy: 'A circuit of its own for part of it, by the licensed trade.',
            },
            'wire',
          ),
        ]
      : [],
  )
}

/** A safety test that failed: nothing goes live, and no reason closes it. */
const notProved: Rule = (context) => {
  const { proof, wiring } = context.loop
  // Chains are tried by the hundred before anything is measured: no steps are made for those.
  const begun =
    Object.keys(wiring.done ?? {}).length > 0 ||
    Object.values(proof.readings).some(({ test }) => safetyBlockIds.some((id) => id === test))
  if (!begun) return []
  return safetyBlocks(context).failed.map(
    ({ id, block, title, cause = 'It failed.', next = 'Mend it and measure again.' }) =>
      stop(
        'C086_NOT_PROVED',
        {
          about: `${block}/${id}`.slice(0, 190),
          head: `Not proved, do not energise: ${title}.`,
          reason: cause,
          remedy: next,
        },
        'wire',
      ),
  )
}

/** Wires that are landed and tested, but not yet proved dead and brought to life step by step. */
const testsOpen: Rule = (context) => {
  const { rows, loop } = context
  if (rows.length === 0 || !rows.every((row) => loop.wiring.rows[row.id]?.landed)) return []
  const { steps, done, failed } = safetyBlocks(context)
  if (failed.length > 0) return []
  const open = steps.isolate.concat(steps.dead, steps.live).filter(({ must, verdict }) => must && verdict === 'waiting')
  if (open.length === 0) return []
  return [
    lookAgain(
      'C087_DEAD_TESTS_OPEN',
      {
        about: 'wiring',
        head: `${open.length} safety steps wait.`,
        reason: `${done.isolate} of ${steps.isolate.length} of isolating, ${done.dead} of ${steps.dead.length} dead tests, ${done.live} of ${steps.live.length} of first live are recorded.`,
        remedy: 'Go through them; where they stand on the form of your trade, say on which.',
      },
      'wire',
    ),
  ]
}

export const wireRules: readonly Rule[] = [
  bypassed,
  overridden,
  foundOnWrongPair,
  drop,
  thinForFuse,
  outsideTable,
  overFuse,
  notProved,
  testsOpen,
]
