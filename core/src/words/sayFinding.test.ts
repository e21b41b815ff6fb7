import { readdirSync, readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { describe, expect, it } from '@jest/globals'
import { checkLoop } from '../check/checkLoop'
import { loopContext } from '../loop/context'
import { fieldData } from '../testing/fieldData'
import { findingsPage } from '../testing/findingsPage'
import { ruleCases } from '../testing/ruleCases'
import { wordsFor } from './words'
import { findingWords, type FiguresOf, type FindingCode, sayFinding } from './sayFinding'

const root = fileURLToPath(new URL('../../../', import.meta.url))

/** Every text among figures, however deep. */
const textsIn = (value: unknown): string[] =>
  typeof value === 'string'
    ? [value]
    : typeof value === 'object' && value !== null
      ? Object.values(value).flatMap(textsIn)
      : []

describe('findings', () => {
  it('have sentences for each code that a rule has, and for no other', () =>
    expect(Object.keys(findingWords).sort()).toEqual(Object.keys(ruleCases).sort()))

  it.each(Object.keys(ruleCases))('%s is told anew from its figures alone, kept as JSON', (code) => {
    const { job, loop } = ruleCases[code]![0]()
    const found = checkLoop(loopContext(job, loop, fieldData)).open.filter((each) => each.code === code)
    expect(found.length).toBeGreaterThan(0)
    for (const { head, reason, remedy, figures } of found) {
      const kept = JSON.parse(JSON.stringify(figures)) as FiguresOf<FindingCode>
      expect(sayFinding(code as FindingCode, kept, wordsFor(job))).toEqual({ head, reason, remedy })
    }
  })

  /** Remedies that are work on site: what is to be bought, filled in or set by hand there, and answers that only a person gives. */
  const onSite: ReadonlySet<string> = new Set([
    // What a test found is keyed by its reading.
    'C050_TEST_FAILED',
    'C049_RESET_GOVERNS_HOT_WATER',
    'C051_STORE_TOO_COOL',
    'C068_THIN_GLYCOL',
    'C096_CUT_OUT_IN_BAND',
    'C098_FREEZE_CUT_OUT',
    'C131_FLOOR_SUPPLY_UNLIMITED',
    'C146_BATTERY_TOO_SMALL',
    'C150_GOODS_BEAR_LESS',
  ])
  it.each(Object.keys(ruleCases))(
    'the remedy of %s names no value to set: that stands on a button, once it was tried',
    (code) => {
      const { job, loop } = ruleCases[code]![0]()
      const own = wordsFor(job)
      const marking = { ...own, say: () => '#' }
      for (const { figures } of checkLoop(loopContext(job, loop, fieldData)).open.filter(
        (each) => each.code === code,
      )) {
        const { remedy } = sayFinding(code as FindingCode, figures as FiguresOf<FindingCode>, marking)
        expect([code, remedy.includes('#') && !onSite.has(code)]).toEqual([code, false])
      }
    },
  )

  it('no sentence of a run names a value to set', () => {
    const source = readFileSync(`${root}core/src/words/runWords.ts`, 'utf8')
    const next = [...source.matchAll(/\bnext:([^,]*(?:,(?!\n)[^,]*)*),?\n/g)].map(([, said]) => said!)
    expect(next.length).toBeGreaterThan(5)
    expect(next.filter((said) => said.includes('say('))).toEqual([])
  })

  // Names that a person or the shelf gave are theirs; what a sentence itself says is said as the practice says it.
  const ownWords = (sentence: string, figures: unknown) =>
    textsIn(figures)
      .sort((a, b) => b.length - a.length)
      .reduce((told, name) => (name.length > 1 ? told.split(name).join('\u2026') : told), sentence)
  it.each([
    ['uk', /\b(swing|summer stop|limiter|minimum off time|residual-current|permissive|supply water|heating curve)\b/i],
    [
      'us',
      /\b(swing|summer stop|limiter|mains|extra-low|screed|earth|residual-current|RCD|permissive|by-pass\w*|set-back|heating curve)\b/i,
    ],
  ] as const)('are told in the words of %s', (practice, foreign) => {
    const told = Object.entries(ruleCases).flatMap(([code, [planted]]) => {
      const { job, loop } = planted()
      const found = checkLoop(loopContext(job, loop, fieldData)).open.filter((each) => each.code === code)
      return found.flatMap(({ figures }) => {
        const said = sayFinding(code as FindingCode, figures as never, wordsFor({ ...job, practice }))
        return [said.head, said.reason, said.remedy].map((sentence) => `${code}: ${ownWords(sentence, figures)}`)
      })
    })
    expect(told.length).toBeGreaterThan(300)
    expect(told.filter((sentence) => foreign.test(sentence))).toEqual([])
  })

  it('are figures and names apart: no sentence stands among them', () => {
    const told = Object.entries(ruleCases).flatMap(([code, [planted]]) => {
      const { job, loop } = planted()
      return checkLoop(loopContext(job, loop, fieldData))
        .open.filter((each) => each.code === code)
        .flatMap(({ figures }) => textsIn(figures).map((text) => `${code}: ${text}`))
    })
    expect(told.length).toBeGreaterThan(100)
    expect(told.filter((text) => /\.$|[.;] /.test(text))).toEqual([])
  })

  it('are told nowhere but in the words', () => {
    const rules = readdirSync(`${root}core/src/check/rules`).filter((file) => file.endsWith('Rules.ts'))
    const told = rules.filter((file) =>
      /\b(head|reason|remedy): ['"`]/.test(readFileSync(`${root}core/src/check/rules/${file}`, 'utf8')),
    )
    expect(rules.length).toBeGreaterThan(10)
    expect(told).toEqual([])
  })

  it('are read back out of their sentences by no code', () => {
    const reads =
      /\.(head|reason|remedy)\b[!?]?\.(match|split|includes|startsWith|endsWith|indexOf|search)\(|\.(test|exec)\(\w+\.(head|reason|remedy)\)/
    const guilty = ['core/src', 'contract/src', 'server/src', 'cli/src', 'web/src'].flatMap((folder) =>
      readdirSync(root + folder, { recursive: true, encoding: 'utf8' }).filter(
        (path) =>
          /\.tsx?$/.test(path) &&
          !/\.test\./.test(path) &&
          reads.test(readFileSync(`${root}${folder}/${path}`, 'utf8')),
      ),
    )
    expect(guilty).toEqual([])
  })

  it('are listed in docs/findings.md as they are: run `npm run reference` when this fails', () =>
    expect(readFileSync(`${root}docs/findings.md`, 'utf8')).toBe(findingsPage()))
})
