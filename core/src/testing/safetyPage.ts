import { readdirSync, readFileSync } from 'node:fs'
import { checkLoop } from '../check/checkLoop'
import { loopContext } from '../loop/context'
import { type Finding, mayBeClosed } from '../check/finding'
import type { JobDocument, LoopDocument } from '../document/documents'
import { ordered } from '../schema/ordered'
import { type Held, stepHazardIds, stepHazards, stepHazardTitles } from '../commissioning/stepHazards'
import type { Edited } from '../wiring/edited'
import { fieldData } from './fieldData'
import { ruleCases } from './ruleCases'
import { tableRow as row } from './tableRow'

const root = new URL('../../../', import.meta.url)

/** Test files of core, each with its text. */
function testFiles(): readonly (readonly [file: string, text: string])[] {
  const found: (readonly [string, string])[] = []
  const walk = (folder: string) => {
    for (const each of readdirSync(new URL(folder, root), { withFileTypes: true })) {
      const path = `${folder}${each.name}`
      if (each.isDirectory()) walk(`${path}/`)
      else if (/\.test\.tsx?$/.test(each.name)) found.push([path, readFileSync(new URL(path, root), 'utf8')])
    }
  }
  walk('core/src/')
  return found.sort(([a], [b]) => (a < b ? -1 : 1))
}

/** The loops of a demo job, from its open file. */
export function demoLoops(file: string): readonly Edited[] {
  const { job, loops } = JSON.parse(readFileSync(new URL(`demo/${file}.nachtigal.json`, root), 'utf8')) as {
    readonly job: JobDocument
    readonly loops: Readonly<Record<string, LoopDocument>>
  }
  return ordered(loops).map(({ id }) => ({ job, loop: loops[id]! }))
}

const severities = { stop: 'stop', 'look-again': 'look again', note: 'note' } as const

function rulesTable(): string[] {
  const tests = testFiles()
  const found = Object.entries(ruleCases).map(([code, [trips]]) => {
    const { job, loop } = trips()
    const mine = checkLoop(loopContext(job, loop, fieldData)).open.find((each) => each.code === code)
    if (!mine) throw new RangeError(`the case of ${code} does not trip it`)
    return mine
  })
  const held = ({ code }: Finding) => [
    `everyRule: \`${code} trips\`, \`${code} does not trip on what is sound\``,
    ...tests.flatMap(([file, text]) =>
      text.includes(`'${code}'`) && !file.endsWith('everyRule.test.ts') ? [file.replace('core/src/', '')] : [],
    ),
  ]
  const weight = (each: Finding) => (each.severity === 'stop' ? 0 : mayBeClosed(each) ? 2 : 1)
  return [
    row(['code', 'weight', 'what trips it', 'what clears it', 'tests that hold it']),
    row(['---', '---', '---', '---', '---']),
    ...found
      .sort((a, b) => weight(a) - weight(b) || (a.code < b.code ? -1 : 1))
      .map((each) =>
        row([
          `\`${each.code}\``,
          `${severities[each.severity]}${mayBeClosed(each) ? '' : ', not to be reasoned away'}`,
          `${each.head} ${each.reason}`,
          each.remedy,
          held(each).join('; '),
        ]),
      ),
  ]
}

/** The table of one loop: a row a step, a column a hazard; letters stand for why a cell is empty. */
function hazardTable(edited: Edited, whyNot: Map<string, string>): string[] {
  const rows = stepHazards(loopContext(edited.job, edited.loop, fieldData))
  const numbers = new Map(rows.map(({ step }, i) => [step.id, i + 1]))
  const letter = (why: string) => {
    const known = whyNot.get(why)
    if (known) return known
    const made = String.fromCodePoint('a'.codePointAt(0)! + whyNot.size)
    whyNot.set(why, made)
    return made
  }
  const told = (held: Held) =>
    'none' in held
      ? `\u2013 ${letter(held.none)}`
      : held.by === 'here'
        ? held.says
        : `${held.says} (${numbers.get(held.by)!})`
  return [
    row(['', 'step', ...stepHazardIds.map((id) => stepHazardTitles[id])]),
    row(['---', '---', ...stepHazardIds.map(() => '---')]),
    ...rows.map(({ step, held }, i) =>
      row([String(i + 1), `${step.block}: ${step.title}`, ...stepHazardIds.map((id) => told(held[id]))]),
    ),
  ]
}

/** The page of safety: every rule as its own case trips it, and every step of the demo loops against every hazard. */
export function safetyPage(): string {
  const whyNot = new Map<string, string>()
  const tables = demoLoops('otterholm').flatMap((edited) => [
    `### ${edited.loop.name}`,
    '',
    ...hazardTable(edited, whyNot),
    '',
  ])
  return [
    '# Safety',
    '',
    'Made by `npm run reference` from the rules, their cases and the demo job; a test holds it. It defers to local code, the maker\u2019s leaflet and the licensed trades.',
    '',
    '## Rules',
    '',
    'Each with what its own test case trips: the sentences are those of that case, in \u00b0C. A stop, and what is marked so, is closed by mending alone, never by a reason.',
    '',
    ...rulesTable(),
    '',
    '## Steps against hazards',
    '',
    'Every step from isolating to first live of the ten demo loops. A cell says what holds the hazard at that step; a number in brackets is the earlier step that does. An empty cell (\u2013) has its reason below.',
    '',
    ...tables,
    '### Why a cell is empty',
    '',
    ...[...whyNot].map(([why, letter]) => `- ${letter}: ${why}`),
    '',
  ].join('\n')
}
