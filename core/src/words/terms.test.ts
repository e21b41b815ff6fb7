import { readdirSync, readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { describe, expect, it } from '@jest/globals'
import ts from 'typescript'
import { practicesPage } from '../testing/practicesPage'
import { practices } from '../units/practice'
import { wordsFor } from './words'
import { capital, terms, termIn, withArticle } from './terms'

const here = fileURLToPath(new URL('./', import.meta.url))

/** Words that one practice alone uses, and that the words of a sentence therefore take from the terms. */
const ofOnePractice =
  /\b(swing|summer stop|warm-weather|limiter|high limit|mains|line voltage|extra-low|screed|earth|ground(?!-)|residual-current|RCD|permissive|interlock|by-pass(es)?|minimum off time|anti-cycle|set-back|setback|heating curve|outdoor reset)\b/i

/** Texts in which such a word is right in every practice, with why. */
const rightEverywhere: Readonly<Record<string, RegExp>> = {
  'the name of a place on the shelf or of a parameter': /^[a-z.-]+$/,
  'circuits of North America alone': /over ground|(to|V to) ground/,
  'the maker\u2019s own device': /safety temperature limiter/,
}

function texts(file: string): string[] {
  const source = ts.createSourceFile(file, readFileSync(here + file, 'utf8'), ts.ScriptTarget.Latest, true)
  const found: string[] = []
  const walk = (node: ts.Node) => {
    const named = ts.isPropertyAssignment(node.parent ?? node) && (node.parent as ts.PropertyAssignment).name === node
    if (
      !named &&
      !ts.isLiteralTypeNode(node.parent ?? node) &&
      (ts.isStringLiteralLike(node) || ts.isTemplateHead(node) || ts.isTemplateMiddle(node) || ts.isTemplateTail(node))
    )
      found.push(node.text)
    ts.forEachChild(node, walk)
  }
  walk(source)
  return found
}

describe('terms', () => {
  it.each(practices)('have a word each in %s', (practice) => {
    const words = wordsFor({ temperatureUnit: 'C', system: 'metric', practice })
    for (const term of Object.keys(terms) as (keyof typeof terms)[]) {
      expect(words.term(term)).toBe(termIn(practice, term))
      expect(words.term(term)).toMatch(/^\S.*\S$/)
    }
  })
  it('are listed in docs/practices.md as they are: run `npm run reference` when this fails', () =>
    expect(readFileSync(`${here}../../../docs/practices.md`, 'utf8')).toBe(practicesPage()))
  it('are not the same everywhere', () => {
    for (const [term, of] of Object.entries(terms))
      expect([term, new Set(Object.values(of)).size]).not.toEqual([term, 1])
  })
  it('stand in a sentence with a capital or an article', () => {
    expect(capital(termIn('uk', 'differential'))).toBe('Differential')
    expect(withArticle(termIn('us', 'permissive'))).toBe('an interlock')
    expect(withArticle(termIn('europe', 'permissive'))).toBe('a permissive')
  })
  it('are used in each sentence of findings, verdicts and causes: none names a thing as one practice alone does', () => {
    const files = [
      'connectionWords.ts',
      'runWords.ts',
      ...['findings', 'tests'].flatMap((folder) => readdirSync(here + folder).map((file) => `${folder}/${file}`)),
    ]
    const all = files.flatMap((file) => texts(file).map((text) => `${file}: ${text}`))
    expect(all.length).toBeGreaterThan(900)
    const foreign = all.filter((line) => {
      const text = line.slice(line.indexOf(': ') + 2)
      return ofOnePractice.test(text) && !Object.values(rightEverywhere).some((right) => right.test(text))
    })
    expect(foreign).toEqual([])
  })
})
