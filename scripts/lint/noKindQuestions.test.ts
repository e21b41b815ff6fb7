import { describe, expect, it } from '@jest/globals'
import { ESLint } from 'eslint'
import { fileURLToPath } from 'node:url'

const root = fileURLToPath(new URL('../../', import.meta.url))
const lint = new ESLint({ cwd: root })

/** What the rule says of a text that stands where a file of core stands. */
const said = async (text: string) => {
  const [result] = await lint.lintText(
    `import { loopKinds, type LoopKind } from '../kinds/kinds'\nexport const file = loopKinds\n${text}\n`,
    { filePath: 'core/src/survey/surveyResult.ts' },
  )
  return result!.messages.filter(({ ruleId }) => ruleId === 'nachtigal/no-kind-questions').length
}

describe('the lint rule on kinds of loop', () => {
  it.each([
    ["export const a = (kind: LoopKind) => kind === 'pool'", 1],
    ["export const a = (kind?: LoopKind) => 'pool' !== kind", 1],
    [
      "export const a = (loop: { kind: LoopKind }) => { switch (loop.kind) { case 'pool': return 1; default: return 2 } }",
      1,
    ],
    ["export const a = (kind: LoopKind) => ['pool', 'fan'].includes(kind)", 1],
    ['export const a: Partial<Record<LoopKind, number>> = { pool: 1 }', 1],
    ["export const a = (kind: LoopKind | '') => kind === ''", 0],
    ["export const a = (plan: { kind: 'fan' | 'band' }) => plan.kind === 'fan'", 0],
    ['export const a = (one: LoopKind, other: LoopKind) => one === other', 0],
  ])('%s', async (text, found) => expect(await said(text)).toBe(found))
})
