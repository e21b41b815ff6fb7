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
})
