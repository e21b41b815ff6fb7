import { readdirSync, readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { describe, expect, it } from '@jest/globals'

const root = fileURLToPath(new URL('../', import.meta.url))
const own = readFileSync(`${root}units/peopleLimits.ts`, 'utf8')
const files = readdirSync(root, { recursive: true, encoding: 'utf8' })
  .map((file) => file.replaceAll('\\', '/'))
  .filter((file) => /\.ts$/.test(file) && !/\.test\.ts$|^testing\/|^units\/peopleLimits|^calc\/entries\//.test(file))
const sources = files.map((file) => [file, readFileSync(`${root}${file}`, 'utf8')] as const)

describe('figures that guard people', () => {
  it('have each a source', () => {
    const told = own.split(/^export const /m).map((part) => part.trimEnd())
    const names = told.slice(1).map((part) => /^\w+/.exec(part)![0])
    expect(names.length).toBeGreaterThan(12)
    for (const [i, name] of names.entries())
      expect([name, told[i]!.slice(told[i]!.lastIndexOf('/**'))]).toEqual([name, expect.stringContaining('Source: ')])
  })
  it('are typed nowhere else: no voltage is held against a figure, and none has a second name', () => {
    const names = [...own.matchAll(/^export const (\w+)/gm)].map(([, name]) => name!)
    for (const [file, text] of sources) {
      expect([file, text.match(/(?:\bvolts|\.volts|V) ?(?:<=|>=|<|>) ?(?:50|30|25|120|150)\b/g)]).toEqual([file, null])
      for (const name of names) expect([file, text.includes(`const ${name} =`)]).toEqual([file, false])
    }
  })
})
