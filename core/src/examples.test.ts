import { readdirSync, readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { describe, expect, it } from '@jest/globals'

const here = fileURLToPath(new URL('./', import.meta.url))

interface Example {
  readonly file: string
  readonly call: string
  readonly gives: string
}

/** Every `@example call // value` of a file, each on a line of its own. */
function examplesOf(file: string): Example[] {
  const found: Example[] = []
  for (const [doc] of readFileSync(here + file, 'utf8').matchAll(/\/\*\*[\s\S]*?\*\//g)) {
    const [, ...examples] = doc.replace(/^\s*\/?\*+\/?|\s*\*\/$/gm, '').split('@example')
    for (const example of examples)
      for (const line of example.split(/\n\s*@/)[0]!.split('\n')) {
        const [, call, gives] = /^(.*?)\s\/\/\s(.*)$/.exec(line.trim()) ?? []
        if (call !== undefined && gives !== undefined) found.push({ file, call, gives })
      }
  }
  return found
}

const examples = readdirSync(here, { recursive: true, encoding: 'utf8' })
  .filter((path) => path.endsWith('.ts') && !path.endsWith('.test.ts'))
  .sort()
  .flatMap(examplesOf)

const evaluate = (text: string, scope: Readonly<Record<string, unknown>>): unknown =>
  // The text is of this folder's own docstrings.

  (new Function(...Object.keys(scope), `return (${text})`) as (...values: unknown[]) => unknown)(
    ...Object.values(scope),
  )

/** Half a unit of the last digit that is written. */
const within = (gives: string) => 0.5 * 10 ** -(/\.(\d+)$/.exec(gives)?.[1]?.length ?? 0)

describe('the examples of docstrings', () => {
  it('are there', () => expect(examples.length).toBeGreaterThan(95))
  it.each(examples)('$file: $call is $gives', async ({ file, call, gives }) => {
    const scope = (await import(here + file)) as Readonly<Record<string, unknown>>
    const made = evaluate(call, scope)
    const wanted = evaluate(gives, scope)
    if (typeof wanted === 'number') {
      expect(typeof made).toBe('number')
      expect(Math.abs((made as number) - wanted)).toBeLessThanOrEqual(within(gives) * 1.000001)
    } else if (typeof wanted === 'string') expect(String(made).replaceAll(/[\u00a0\u202f]/g, ' ')).toBe(wanted)
    else expect(made).toEqual(wanted)
  })
})
