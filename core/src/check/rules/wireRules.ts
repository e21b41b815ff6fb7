import type { ResolvedDevice } from '../../document/chain'
import { safetyBlocks } from '../../commissioning/safetyBlocks'
import { safetyBlockIds } from '../../commissioning/safetyStep'
import { sizeTable } from '../../wiring/conductor'
import { endVoltages, rowLoads } from '../../wiring/conductors'
import { loadLogics } from '../../wiring/loadLogic'
import type { Found } from '../finding'
import { lookAgain, type Rule, stop, told } from './rule'

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
            figures: { name: by.name, contactName: contact.name, tag: load.tag, duty: contact.duty },
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
          figures: {
            name: first.by.name,
            tag: load.tag,
            contactName: first.contact.name,
            protects: protects.map(({ name }) => name),
          },
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
  return Object.entries(terminals).flatMap(([id, { terminal, volts }]): Found[] => {
    if (volts === undefined || Math.abs(volts) < LEAST_V) return []
    const mine = variants.filter(({ line, neutral }) =>
      [line, neutral].some((each) => each === terminal || facts.terminals[each]?.label === terminal),
    )
    if (mine.length === 0 || mine.some(({ lowV, highV }) => volts >= lowV && volts <= highV)) return []
    const made = mine.map(({ lowV, highV }) => `${words.say(lowV, 'voltage')} to ${words.say(highV, 'voltage')}`)
    return [
      stop('C082_FOUND_ON_WRONG_PAIR', { about: id, figures: { volts, terminal, name: facts.name, made } }, 'wire'),
    ]
  })
}
/** Less than this is what a meter picks up, V. */
const LEAST_V = 2

/** Too little voltage left at the end of the wires. */
const drop: Rule = ({ chain, rows, loop, data, job }) =>
  endVoltages(rowLoads(rows, chain, loop.wiring.rows, job.practice), chain, data)
    .filter(({ enough, measured }) => measured && !enough)
    .map(({ device, portId, dropV, endV, dropPercent, allowedPercent, allowedBy, supply }) =>
      lookAgain(
        'C083_VOLTAGE_DROP',
        {
          about: `${device.id}.${portId}`,
          figures: { tag: device.tag, endV, volts: supply.volts, dropV, dropPercent, allowedPercent, allowedBy },
        },
        'wire',
      ),
    )

/** A conductor thinner than what this practice usually asks for behind its fuse. */
const thinForFuse: Rule = ({ chain, rows, loop, job }) =>
  rowLoads(rows, chain, loop.wiring.rows, job.practice).flatMap(({ row, sizeMm2, usualMm2, currentA }): Found[] => {
    if (usualMm2 == null || sizeMm2 === null || row.role === 'motor' || row.role === 'screen' || !row.fedBy) return []
    if (sizeMm2 >= usualMm2 - 1e-9) return []
    return [
      lookAgain(
        'C084_THIN_FOR_ITS_FUSE',
        {
          about: row.id,
          figures: {
            wire: row.number,
            practice: job.practice,
            sizeMm2,
            protectionA: row.fedBy.protectionA,
            tag: row.fedBy.tag,
            currentA,
            usualMm2,
          },
        },
        'wire',
      ),
    ]
  })

/** A wire whose section the table no longer gives, and nobody has written. */
const outsideTable: Rule = (context) =>
  rowLoads(context.rows, context.chain, context.loop.wiring.rows, context.job.practice).flatMap(
    ({ row, sizeMm2 }): Found[] => {
      const fed = row.fedBy
      if (sizeMm2 !== null || !fed) return []
      const { title, mostA } = sizeTable(context.job.practice)
      return [
        told(
          'C130_OUTSIDE_TABLE',
          row.id,
          { wire: row.number, tag: fed.tag, fuseA: fed.protectionA, mostA, table: title },
          { step: 'wire' },
        ),
      ]
    },
  )

/** More current on a wire than what protects it lets through. */
const overFuse: Rule = ({ chain, rows, loop, job }) => {
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
  return [...most].flatMap(([tag, { amps, fuse, devices }]): Found[] =>
    fuse > 0 && amps > fuse
      ? [
          lookAgain(
            'C085_OVER_ITS_FUSE',
            { about: tag, figures: { draw: devices.map((each) => each.tag), tag, amps, practice: job.practice, fuse } },
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
  return safetyBlocks(context).failed.map(({ id, block, title, found }) =>
    stop('C086_NOT_PROVED', { about: `${block}/${id}`.slice(0, 190), figures: { title, found } }, 'wire'),
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
        figures: {
          openCount: open.length,
          isolate: done.isolate,
          isolateCount: steps.isolate.length,
          dead: done.dead,
          deadCount: steps.dead.length,
          live: done.live,
          liveCount: steps.live.length,
        },
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
