import { readFileSync } from 'node:fs'
import { describe, expect, it } from '@jest/globals'
import { calculationSchema } from './jsonSchema'
import { keptInput } from './keptInput'
import { referencePage } from './referencePage'
import { calculations } from './registry'

describe('reference page', () => {
  it('is what the registry says: run `npm run reference` when this fails', () => {
    expect(readFileSync(new URL('../../../docs/calculations.md', import.meta.url), 'utf8')).toBe(referencePage())
  })
  it('tells every calculation, field and example', () => {
    const page = referencePage()
    for (const { id, inputs, outputs, examples } of calculations) {
      expect(page).toContain(`\`${id}\``)
      for (const name of [...Object.keys(inputs), ...Object.keys(outputs)]) expect(page).toContain(`\`${name}\``)
      for (const { source } of examples) expect(page).toContain(source)
    }
    expect(page).not.toMatch(/undefined|\[object|NaN/)
  })
})

type Schema = { readonly [key: string]: Schema } & {
  readonly type?: string | readonly string[]
  readonly properties?: Record<string, Schema>
  readonly required?: readonly string[]
  readonly minimum?: number
  readonly exclusiveMinimum?: number
  readonly maximum?: number
  readonly default?: unknown
}

describe('calculationSchema', () => {
  it.each(calculations.map((entry) => [entry.id, entry] as const))('%s says inputs and outputs', (_, entry) => {
    const schema = calculationSchema(entry) as unknown as { inputs: Schema; outputs: Schema }
    expect(Object.keys(schema.inputs.properties!)).toEqual(Object.keys(entry.inputs))
    expect(Object.keys(schema.outputs.properties!)).toEqual(Object.keys(entry.outputs))
    expect(schema.inputs['additionalProperties']).toBe(false)
    const needed = Object.keys(entry.inputs).filter((name) => !entry.inputs[name]!.optional)
    expect(schema.inputs.required).toEqual(needed)
    // What is needed is in every example, and what the schema bounds holds there.
    for (const { given } of entry.examples) {
      for (const name of needed) expect(given).toHaveProperty([name])
      for (const [name, value] of Object.entries(given)) {
        const { minimum, exclusiveMinimum, maximum } = schema.inputs.properties![name]!
        if (typeof value !== 'number') continue
        if (minimum !== undefined) expect(value).toBeGreaterThanOrEqual(minimum)
        if (exclusiveMinimum !== undefined) expect(value).toBeGreaterThan(exclusiveMinimum)
        if (maximum !== undefined) expect(value).toBeLessThanOrEqual(maximum)
      }
    }
  })
  it('bounds a temperature by absolute zero and a difference not', () => {
    const of = (id: string, name: string) =>
      (calculationSchema(calculations.find((entry) => entry.id === id)!) as unknown as { inputs: Schema }).inputs
        .properties![name]!
    expect(of('probe.resistance', 'temperatureC').minimum).toBe(-273.15)
    expect(of('probe.resistance', 'temperatureC')['unit']).toBe('°C')
    expect(of('switching.points', 'swingK').minimum).toBeLessThan(-273.15)
    expect(of('switching.points', 'swingK')['unit']).toBe('K')
  })
})

describe('keptInput', () => {
  const given = { powerW: 2000, capacityJPerK: 1.8e6, swingK: 1 }
  it('reads what was kept', () => expect(keptInput('cycling.worst', JSON.stringify(given))).toEqual(given))
  it.each([
    ['cycling.worst', '{"powerW":'],
    ['cycling.worst', '{"powerW":"<b>"}'],
    ['cycling.worst', '[]'],
    ['no.such', '{}'],
    ['__proto__', '{}'],
  ])('%s with %s opens nothing', (calc, text) => expect(keptInput(calc, text)).toBeUndefined())
})
