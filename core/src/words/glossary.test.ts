import { readdirSync, readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { describe, expect, it } from '@jest/globals'
import ts from 'typescript'

const root = fileURLToPath(new URL('../../../', import.meta.url))

/** The last column of docs/glossary.md: what a thing is not called. */
const banned = readFileSync(`${root}docs/glossary.md`, 'utf8')
  .split('\n')
  .filter((line) => /^\| (?!thing|---)/.test(line))
  .flatMap((line) => line.split('|').at(-2)!.split(','))
  .map((word) => word.trim())
  .filter(Boolean)

/** Names in which such a word is right, with why. */
const rightNames: Readonly<Record<string, RegExp>> = {
  'what is left over': /^rest$|^Rest$/,
  'a plant or a room that stands still':
    /^(restC|restOnC|restOn|restAt|restPercent|[rR]estState|roomAtRest|atRest|byRest)$/,
  'keys that stand still': /^REST_MS$/,
  'the halved strides of the engine': /^[lL]adders?$/,
  'space between things, hours without a row, time between periods': /^(gap|Gap|GAP|MOST_GAP)$/,
  'what something asks for or bears': /(TakesLong|takesLong|[tT]akesMs|takesOut)$/,
  'the words of before, to be migrated': /^C\d{3}_[A-Z_]+$|^timesOwnRest$/,
  'what a page takes': /^takes$/,
}

/** Texts in which such a word is right, with why. */
const rightTexts: Readonly<Record<string, RegExp>> = {
  'steady state in a formula': /τ|e\^|bat\.rest/,
  'no text that anybody sees': /^[a-z-]*(rest|gap|sum)[a-z-]*$|url\(#|^\[data-|^stages\.ladder$|\bfield data joint/,
  'an id': /^[a-z0-9.-]+$/,
  'what one climbs on': /^Ladder: footed|[rR]ails, ladder/,
  'what stands before a rotating fan': /[gG]uard on|Sleeve and guard/,
  'a rule that is broken, in the words of before': /^(C\d{3}_[A-Z_]+|\$1minimum-off\/)$/,
  'one goes through a value': /[bB]ring (it|the|each)|steps bring each to/,
  'it stays where it is': /^ ?rests?,? ?$|\brests? (at|in|on|the wrong way)|comes to rest|^Rests( at)?$|at rest/,
  'so far from one another': /apart/,
  'what is added up': /\b[sS]ums? (of|\))|\/sum|[−(]\s?sum|the sum leaves|load sum/,
  'put where it was': /put back/,
  'an instrument is taken out for the day': /^(not )?taken out$/,
}

const sources = ['core/src', 'contract/src', 'server/src', 'cli/src', 'web/src'].flatMap((folder) =>
  readdirSync(root + folder, { recursive: true, encoding: 'utf8' })
    .filter((path) => /\.tsx?$/.test(path) && !/\.test\.tsx?$|testing\//.test(path))
    .map((path) => `${folder}/${path}`),
)

const wordsOf = (name: string) =>
  name
    .replace(/([a-z\d])([A-Z])/g, '$1 $2')
    .replace(/([A-Z]+)([A-Z][a-z])/g, '$1 $2')
    .split(/[\s_\d]+/)
    .map((word) => word.toLowerCase())

const oneWord = banned.filter((word) => !word.includes(' '))
const phrases = new RegExp(`\\b(${[...banned].sort((a, b) => b.length - a.length).join('|')})\\b`, 'i')
// As a verb, or as a part of a phrase, these say nothing wrong: they are looked for in names alone.
const verbs = new Set(['bring', 'apart', 'goal', 'happens', 'guard', 'guards', 'rest', 'rests', 'gap', 'beat'])

/** What a file says under a word that the glossary does not know, as `file: word in …`. */
function wrongIn(path: string, text = readFileSync(root + path, 'utf8')): string[] {
  const file = ts.createSourceFile(
    path,
    text,
    ts.ScriptTarget.Latest,
    true,
    path.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS,
  )
  const found: string[] = []
  const name = (given: string) => {
    if (Object.values(rightNames).some((right) => right.test(given))) return
    for (const word of wordsOf(given))
      if (oneWord.includes(word) && word !== 'take' && word !== 'apart') found.push(`${path}: ${word} in ${given}`)
  }
  const said = (given: string) => {
    const [, word] = phrases.exec(given) ?? []
    // What one does, or what something asks for; only an attempt is no take.
    if (/^takes?$/i.test(word ?? '') && !/\btake \d|earlier takes/i.test(given)) return
    if (word === undefined || Object.values(rightTexts).some((right) => right.test(given.trim()))) return
    if (verbs.has(word.toLowerCase()) && !/^[A-Z][a-z]*$/.test(given.trim())) {
      // A label is a word by itself; in a sentence only the trade's own use of it is wrong.
      if (
        !/\b(least|its|own|a|the|longer|planned) rest\b|\b(frost|its own|own) guard\b|\b(the|one|a) beat\b|\btake \d/i.test(
          given,
        )
      )
        return
    }
    found.push(`${path}: ${word} in “${given.trim().slice(0, 80)}”`)
  }
  const walk = (node: ts.Node): void => {
    if (ts.isImportDeclaration(node) || ts.isExportDeclaration(node)) {
      ts.forEachChild(node, (child) => (ts.isStringLiteral(child) ? undefined : walk(child)))
      return
    }
    // Words by which somebody may look for a calculation: his own, whatever they are.
    if (ts.isPropertyAssignment(node) && node.name.getText() === 'find') return
    if (ts.isJsxAttribute(node) && node.name.getText() === 'className') return
    if (ts.isIdentifier(node)) name(node.text)
    else if (
      ts.isStringLiteralLike(node) ||
      ts.isTemplateHead(node) ||
      ts.isTemplateMiddleOrTemplateTail(node) ||
      ts.isJsxText(node)
    )
      said(node.text)
    ts.forEachChild(node, walk)
  }
  walk(file)
  return found
}

describe('the words of the glossary', () => {
  it('has a last column that is read', () =>
    expect(banned).toEqual(expect.arrayContaining(['rest', 'joint', 'sums', 'take out'])))
  it('no name and no text says it otherwise', () => {
    expect(sources.length).toBeGreaterThan(600)
    expect(sources.flatMap((path) => wrongIn(path))).toEqual([])
  })
  it.each([
    ['const leastRestS = 1', 'rest in leastRestS'],
    ['interface JointVerdict { readonly ladderView: number }', 'joint in JointVerdict'],
    ['const label = "Beat"', 'Beat in “Beat”'],
    ['const says = `A longer rest than ${s} s.`', 'rest in “A longer rest than”'],
    ['const says = "All joints fit."', 'joints in “All joints fit.”'],
    ['const says = "or a longer rest"', 'rest in “or a longer rest”'],
    ['const says = "Earlier takes"', 'takes in “Earlier takes”'],
    ['const part = <h2>Sums</h2>', 'Sums in “Sums”'],
    ['const part = <button>Take out</button>', 'Take out in “Take out”'],
  ])('%s is found', (text, wrong) => expect(wrongIn('scratch.tsx', text)).toContainEqual(`scratch.tsx: ${wrong}`))
  it.each(['const [first, ...rest] = list', 'const says = "Guard on, locked off."', 'const restC = 20'])(
    '%s is right',
    (text) => expect(wrongIn('scratch.tsx', text)).toEqual([]),
  )
})
