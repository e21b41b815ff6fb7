import { checkLoop } from '../check/checkLoop'
import { keyingSheet } from '../commissioning/keyingSheet'
import { proofTests } from '../commissioning/proofTests'
import { factsOfKind } from '../kinds/kinds'
import type { LoopContext } from '../loop/context'
import { remembered } from '../memory/remembered'
import { nextThing } from '../progress/stepStatus'
import { setPartTitles } from '../settings/setParts'
import { sizeWords } from '../words/sizeWords'
import { judgeRow } from '../wiring/judgeRow'
import type { FindEntry } from './findEntry'

/**
 * All that can be found in a loop: itself, its wires by number and label with their terminals, devices by tag and name, settings by name
 * and code, tests and findings. Made once for each version of its documents.
 */
export const loopEntries = remembered((context: LoopContext): readonly FindEntry[] => {
  const { loop, words } = context
  const own = { loop: loop.id }
  return [
    {
      ...own,
      id: `loop/${loop.id}`,
      kind: 'loop',
      what: loop.name,
      where: factsOfKind(loop.kind).title,
      at: [nextThing(context).step],
      words: factsOfKind(loop.kind).about,
    },
    ...wires(context),
    ...context.chain.devices.map((device): FindEntry => ({
      ...own,
      id: `device/${loop.id}/${device.id}`,
      kind: 'device',
      what: `${device.tag} ${device.name}`,
      where: `${loop.name}, ${words.tell(device.facts.summary)}`,
      at: ['match', `${device.facts.category}?device=${device.id}`],
      words: `${device.facts.category} ${device.facts.name} ${Object.values(device.facts.terminals)
        .map(({ label }) => label)
        .join(' ')}`,
    })),
    ...keyingSheet(context).flatMap(({ device, rows }) =>
      rows.map(({ code, name, meaning, planned, unit, agrees }): FindEntry => ({
        ...own,
        id: `setting/${loop.id}/${device.id}/${code}`,
        kind: 'setting',
        what: `${code} ${name}`,
        where: `${loop.name}, ${device.tag}, planned ${planned}${unit ? ` ${unit}` : ''}`,
        ...(agrees === undefined ? {} : { shape: agrees ? ('fits' as const) : ('look' as const) }),
        at: ['set', `keying?code=${code}`],
        words: meaning,
      })),
    ),
    ...Object.values(setPartTitles).map((title, i): FindEntry => ({
      ...own,
      id: `part/${loop.id}/${i}`,
      kind: 'setting',
      what: title,
      where: loop.name,
      at: ['set', Object.keys(setPartTitles)[i]!],
    })),
    ...proofTests(context).map(({ id, title, about, result }): FindEntry => ({
      ...own,
      id: `test/${loop.id}/${id}`,
      kind: 'test',
      what: about ? `${title}, ${about}` : title,
      where: `${loop.name}, ${verdicts[result.verdict].says}`,
      shape: verdicts[result.verdict].shape,
      at: ['prove', 'test', ...id.split('/')],
    })),
    ...checkLoop(context).open.map(({ code, about, head, reason, severity, step }): FindEntry => ({
      ...own,
      id: `finding/${loop.id}/${code}/${about}`,
      kind: 'finding',
      what: head,
      where: loop.name,
      shape: severity === 'stop' ? 'stop' : severity === 'note' ? 'note' : 'look',
      at: [step],
      words: `${code} ${reason}`,
    })),
  ]
})

const verdicts = {
  waiting: { says: 'waits', shape: 'waiting' },
  good: { says: 'good', shape: 'fits' },
  look: { says: 'look again', shape: 'look' },
  stop: { says: 'stop', shape: 'stop' },
  'cannot-tell': { says: 'the instrument cannot tell', shape: 'look' },
} as const

function wires(context: LoopContext): readonly FindEntry[] {
  const { loop, rows } = context
  return rows.map((row): FindEntry => {
    const { id, number, from, to, conductor } = row
    const state = loop.wiring.rows[id]
    const { verdict } = judgeRow(context, row)
    return {
      loop: loop.id,
      id: `wire/${loop.id}/${id}`,
      kind: 'wire',
      what: `Wire ${number} ${from.tag} ${from.label} to ${to.tag} ${to.label}`,
      where: `${loop.name}, ${sizeWords(context.job.practice, conductor.sizeMm2)}, ${
        verdict === 'fits' ? 'tested' : verdict === 'stop' ? 'failed its test' : state?.landed ? 'landed' : 'not landed'
      }`,
      shape: verdict === 'fits' ? 'fits' : verdict === 'stop' ? 'stop' : 'waiting',
      at: ['wire', id],
      words: `${state?.label ?? ''} ${row.role} ${from.deviceName} ${to.deviceName} ${row.cable?.tag ?? ''} ${conductor.colourName}`,
    }
  })
}
