import { readdirSync, readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { describe, expect, it } from '@jest/globals'
import ts from 'typescript'

const root = fileURLToPath(new URL('../../', import.meta.url))

/** Public functions of a file that say nothing of themselves. */
function silent(path: string): string[] {
  const file = ts.createSourceFile(path, readFileSync(root + path, 'utf8'), ts.ScriptTarget.Latest, true)
  return file.statements.flatMap((statement) => {
    const isPublic =
      ts.canHaveModifiers(statement) &&
      ts.getModifiers(statement)?.some(({ kind }) => kind === ts.SyntaxKind.ExportKeyword) === true
    if (!isPublic || ts.getJSDocCommentsAndTags(statement).length > 0) return []
    if (ts.isFunctionDeclaration(statement)) return [`${path}: ${statement.name?.text ?? ''}`]
    if (!ts.isVariableStatement(statement)) return []
    return statement.declarationList.declarations.flatMap(({ name, initializer }) =>
      initializer && ts.isArrowFunction(initializer) ? [`${path}: ${name.getText()}`] : [],
    )
  })
}

/** Public functions of a file with their docstrings. */
function publicDocs(path: string): (readonly [name: string, doc: string])[] {
  const file = ts.createSourceFile(path, readFileSync(root + path, 'utf8'), ts.ScriptTarget.Latest, true)
  return file.statements.flatMap((statement) => {
    if (!ts.canHaveModifiers(statement)) return []
    if (!ts.getModifiers(statement)?.some(({ kind }) => kind === ts.SyntaxKind.ExportKeyword)) return []
    const doc = ts
      .getJSDocCommentsAndTags(statement)
      .map((each) => each.getText())
      .join(' ')
    if (ts.isFunctionDeclaration(statement)) return [[statement.name?.text ?? '', doc] as const]
    if (!ts.isVariableStatement(statement)) return []
    return statement.declarationList.declarations.flatMap(({ name, initializer }) =>
      initializer && ts.isArrowFunction(initializer) ? [[name.getText(), doc] as const] : [],
    )
  })
}

describe('every public function', () => {
  const files = ['core/src', 'contract/src', 'server/src', 'cli/src'].flatMap((folder) =>
    readdirSync(root + folder, { recursive: true, encoding: 'utf8' })
      .filter((path) => path.endsWith('.ts') && !path.endsWith('.test.ts') && !/testing/.test(path))
      .map((path) => `${folder}/${path}`),
  )
  it('says what it means', () => {
    expect(files.length).toBeGreaterThan(400)
    expect(files.flatMap(silent)).toEqual([])
  })

  /** Functions of the physical folders that only name, compare or refuse something: no law stands behind them. */
  const noLaw = new Set([
    'conventionSays',
    'diagnoseStages',
    'fieldValue',
    'probeName',
    'requireOrder',
    'sameCurve',
    'signalTitle',
    'spell',
  ])
  it('that works out a quantity says by which formula, or from where', () => {
    const physical = files.filter((path) =>
      /^core\/src\/((probes|control|plant|signal|numeric)\/|kinds\/(\w+\/\w+Model|estimatePlant)\.ts|settings\/\w+\/law\/)/.test(
        path,
      ),
    )
    const docs = physical.flatMap((path) =>
      publicDocs(path).map(([name, doc]) => [`${path} ${name}`, name, doc] as const),
    )
    expect(docs.length).toBeGreaterThan(98)
    expect(
      docs.filter(([, name, doc]) => !noLaw.has(name) && !/\b(Formula|Source):/.test(doc)).map(([at]) => at),
    ).toEqual([])
  })
})
