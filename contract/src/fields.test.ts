import { readFileSync } from 'node:fs'
import { describe, expect, it } from '@jest/globals'
import { Ajv2020 } from 'ajv/dist/2020.js'
import * as formats from 'ajv-formats'
import type { JobDocument, LoopDocument } from '@nachtigal/core/document/documents'
import { jobRecord } from '@nachtigal/core/document/fields/jobFields'
import { loopRecord } from '@nachtigal/core/document/fields/loopFields'
import { choice, filled, flag, map, maybe, number, record, whole, since } from '@nachtigal/core/schema/field'
import { fieldAt } from '@nachtigal/core/schema/fieldAt'
import { jsonSchemaOf } from '@nachtigal/core/schema/jsonSchemaOf'
import { saySides } from '@nachtigal/core/schema/sayField'
import type { Value } from '@nachtigal/core/schema/value'
import { Chance, spoilt } from '@nachtigal/core/testing/spoilt'
import { refusal } from './check'
import { jobSchema, loopSchema } from './documentSchemas'
import { jobFileJsonSchema, jobFileJsonSchemaText } from './jobFileJsonSchema'
import { partOf } from './partOf'

const ajv = new Ajv2020({ strict: false, allErrors: false })
;(formats as unknown as { default: { default: (ajv: Ajv2020) => void } }).default.default?.(ajv)
const metric = { temperatureUnit: 'C', system: 'metric' } as const
const us = { temperatureUnit: 'F', system: 'us' } as const

describe('a record with one field more', () => {
  const base = {
    name: filled('name', 40),
    setpointC: number('setpoint', 'temperature', { min: -50, max: 150 }),
    sort: choice('sort', ['wet', 'dry'], { wet: 'with water' }),
  }
  const before = record('scratch', base)
  const after = record('scratch', {
    ...base,
    widthK: since(2, maybe(number('width', 'difference', { over: 0, max: 20 }))),
    rows: map('rows', whole(record('row', { landed: maybe(flag('landed')) }))),
  })
  const held: Value<typeof after> = { name: 'A', setpointC: 20, sort: 'wet', widthK: 2, rows: { a: { landed: true } } }
  // @ts-expect-error a member that the fields have not is none of the type
  const none: Value<typeof before> = { name: 'A', setpointC: 20, sort: 'wet', widthK: 2 }
  // @ts-expect-error one that they have must be there
  const less: Value<typeof after> = { name: 'A', setpointC: 20, sort: 'wet' }

  it('has it in its type, and in what is refused', () => {
    expect(refusal(partOf(after), held)).toBeUndefined()
    expect(refusal(partOf(before), none)?.message).toContain('unknown fields: widthK')
    expect(refusal(partOf(after), less)).toEqual({ field: 'rows', message: 'rows is missing' })
    expect(refusal(partOf(after), { ...held, widthK: 0 })).toEqual({
      field: 'widthK',
      message: 'widthK is 0: it must be over 0',
    })
    expect(refusal(partOf(after), { ...held, widthK: 21 })?.message).toBe('widthK is 21: it must be 20 or less')
    expect(refusal(partOf(after), { ...held, sort: 'damp' })?.message).toBe(
      'sort is "damp": it must be one of wet, dry',
    )
  })
  it('has it in its JSON Schema, with unit and bounds', () => {
    const { properties, required } = jsonSchemaOf(after) as {
      properties: Record<string, unknown>
      required: readonly string[]
    }
    expect(properties['widthK']).toEqual({
      title: 'width',
      since: 2,
      type: 'number',
      unit: 'K',
      exclusiveMinimum: 0,
      maximum: 20,
    })
    expect(required).toEqual(['name', 'setpointC', 'sort', 'rows'])
    const valid = ajv.compile(jsonSchemaOf(after))
    expect(valid(held)).toBe(true)
    expect(valid({ ...held, widthK: 0 })).toBe(false)
  })
  it('has it at its place, with its bounds for a form and whether it is written as a whole', () => {
    expect(fieldAt(after, ['widthK'])).toMatchObject({ quantity: 'difference', over: 0, max: 20 })
    expect(fieldAt(after, ['rows', 'any'])?.atomic).toBe(true)
    expect(fieldAt(before, ['widthK'])).toBeUndefined()
  })
  it('has it in the words of the log, in the units that are read', () => {
    expect(saySides(after, held, { ...held, widthK: 3, sort: 'dry' }, metric)).toEqual({
      before: 'sort with water, width 2.0\u00a0K',
      after: 'sort dry, width 3.0\u00a0K',
    })
    expect(saySides(after, held, { ...held, widthK: 3 }, us).after).toBe('width 5.4\u00a0°F')
  })
})

describe('the JSON Schema of the job file', () => {
  const demo = JSON.parse(readFileSync(new URL('../../demo/otterholm.nachtigal.json', import.meta.url), 'utf8')) as {
    job: JobDocument
    loops: Record<string, LoopDocument>
  }
  const [loop] = Object.values(demo.loops)

  it('is what the fields say: run `npm run reference` when this fails', () =>
    expect(readFileSync(new URL('../../docs/job-file.schema.json', import.meta.url), 'utf8')).toBe(
      jobFileJsonSchemaText(),
    ))
  it('takes the demo job as it is', () => {
    const valid = ajv.compile(jobFileJsonSchema())
    expect(valid(demo) || valid.errors).toBe(true)
  })
  it.each([
    ['loop', jsonSchemaOf(loopRecord), loopSchema, loop],
    ['job', jsonSchemaOf(jobRecord), jobSchema, demo.job],
  ] as const)('of a %s: what it refuses is refused here too', (_, schema, part, sound) => {
    const valid = ajv.compile(schema)
    expect(valid(sound) || valid.errors).toBe(true)
    const chance = new Chance(20261129)
    let refused = 0
    for (let i = 0; i < 60; i++) {
      const document = spoilt(sound, chance)
      if (valid(document)) continue
      refused++
      expect([refusal(part, document)?.message, valid.errors]).not.toEqual([undefined, valid.errors])
    }
    expect(refused).toBeGreaterThan(20)
  })
})
