import { readdirSync, readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { describe, expect, it } from '@jest/globals'
import ts from 'typescript'
import { bannedIn, bannedWords } from '../testing/bannedWords'

const root = fileURLToPath(new URL('../../../', import.meta.url))

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

const oneWord = bannedWords.filter((word) => !word.includes(' '))

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
    const word = bannedIn(given)
    if (word !== undefined) found.push(`${path}: ${word} in “${given.trim().slice(0, 80)}”`)
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
    expect(bannedWords).toEqual(expect.arrayContaining(['rest', 'joint', 'sums', 'take out'])))
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
