import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import { execFileSync } from 'node:child_process'
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import ts from 'typescript'

const root = fileURLToPath(new URL('../../../', import.meta.url))
const NAME = 'hatchery'

/** Every file under a folder with what stands in it. */
const filesOf = (folder: string): ReadonlyMap<string, string> =>
  new Map(
    readdirSync(folder, { recursive: true, encoding: 'utf8' })
      .filter((path) => /\.(ts|json)$/.test(path))
      .map((path) => [path, readFileSync(join(folder, path), 'utf8')] as const),
  )

describe('an eleventh kind of loop', () => {
  const house = mkdtempSync(join(tmpdir(), 'nachtigal-kind-'))
  const core = join(house, 'core/src')
  const touched: string[] = []

  beforeAll(() => {
    cpSync(join(root, 'core/src'), core, { recursive: true })
    cpSync(join(root, 'core/package.json'), join(house, 'core/package.json'))
    cpSync(join(root, 'core/tsconfig.json'), join(house, 'core/tsconfig.json'))
    cpSync(join(root, 'tsconfig.base.json'), join(house, 'tsconfig.base.json'))
    for (const each of ['shelf', 'node_modules']) symlinkSync(join(root, each), join(house, each))
    const before = filesOf(core)
    // What somebody who adds a kind does: a folder from the template, its id, and its line in the list.
    for (const [path, text] of filesOf(join(core, 'kinds/template'))) {
      const named = path.replace('template', NAME)
      cpSync(join(core, 'kinds/template', path), join(core, 'kinds', NAME, named), { recursive: true })
      writeFileSync(
        join(core, 'kinds', NAME, named),
        text.replaceAll('template', NAME).replace("'Template'", "'Hatchery'"),
      )
    }
    const list = join(core, 'kinds/list.ts')
    writeFileSync(list, `${readFileSync(list, 'utf8')}export { ${NAME} } from './${NAME}/${NAME}'\n`)
    const ids = join(core, 'kinds/ids.ts')
    writeFileSync(ids, readFileSync(ids, 'utf8').replace("  'cabin',\n", `  'cabin',\n  '${NAME}',\n`))
    for (const [path, text] of filesOf(core)) if (before.get(path) !== text) touched.push(path)
  })
  afterAll(() => rmSync(house, { recursive: true, force: true }))

  it('takes its folder, its id and its line', () => {
    const elsewhere = touched.filter((path) => !path.startsWith(`kinds/${NAME}/`))
    expect(elsewhere.sort()).toEqual(['kinds/ids.ts', 'kinds/list.ts'])
    for (const file of elsewhere) {
      const [was, is] = [root, house].map((base) =>
        readFileSync(join(base, 'core/src', file), 'utf8')
          .trim()
          .split('\n'),
      )
      expect([file, is!.length]).toEqual([file, was!.length + 1])
    }
    expect(touched.length - elsewhere.length).toBe(readdirSync(join(core, 'kinds/template')).length)
  })

  it('fits the types of all of core, with nothing else written', () => {
    const config = ts.getParsedCommandLineOfConfigFile(join(house, 'core/tsconfig.json'), { noEmit: true }, {
      ...ts.sys,
      onUnRecoverableConfigFileDiagnostic: () => undefined,
    } as ts.ParseConfigFileHost)!
    const product = config.fileNames.filter((path) => !/\.test\.ts$/.test(path))
    const program = ts.createProgram(product, { ...config.options, noEmit: true, incremental: false, composite: false })
    const said = ts.getPreEmitDiagnostics(program).map(({ file, messageText }) => {
      const text = ts.flattenDiagnosticMessageText(messageText, ' ')
      return `${file?.fileName.slice(core.length)}: ${text}`
    })
    expect(said).toEqual([])
  })

  it('goes the whole way: answers, proposal, chain, check, run, tests', () => {
    const said = execFileSync(process.execPath, ['--import', 'tsx', join(core, 'testing/tryKind.ts'), NAME], {
      encoding: 'utf8',
      cwd: house,
    })
    const found = JSON.parse(said) as Record<string, unknown>
    expect(found).toMatchObject({ listed: true, stored: true, title: 'Hatchery', control: 'on-off', stops: [] })
    expect(found['hazards']).toEqual(['mains', 'hot-surface'])
    expect(found['begun']).toBeGreaterThan(1)
    expect(found['devices']).toBeGreaterThan(2)
    expect(found['tests']).toEqual(expect.arrayContaining(['before', 'limiter', 'warm-up']))
    expect(found['places']).toBeGreaterThan(0)
    expect(found['compared']).toBeGreaterThan(0)
    expect(found['meanC']).toBeGreaterThan(20)
    expect(found['meanC']).toBeLessThan(26)
  })
})
