import { fileURLToPath } from 'node:url'
import { describe, expect, it } from '@jest/globals'
import { refusal } from '@nachtigal/contract/check'
import { profileRefusal } from '@nachtigal/contract/profileRefusal'
import { profileSchema } from '@nachtigal/contract/profileRefusal'
import { probeCurve } from '@nachtigal/core/probes/probeCurve'
import { readShelf } from './readShelf'

const shelf = readShelf(fileURLToPath(new URL('../../shelf', import.meta.url)))

describe('shelf', () => {
  it.each(shelf.profiles.map((profile) => [profile.id, profile] as const))(
    '%s: its id is its own, and its parts hold together',
    (id, profile) => {
      expect(shelf.profiles.filter((other) => other.id === id)).toHaveLength(1)
      expect(profileRefusal(profile)).toBeUndefined()
    },
  )
  it.each(Object.values(shelf.data).map((row) => [row.id, row] as const))(
    '%s has a figure, a source and a confidence',
    (_, row) => {
      expect(Number.isFinite(row.typical)).toBe(true)
      expect(row.source.length).toBeGreaterThan(2)
      expect(['H', 'M', 'L']).toContain(row.confidence)
    },
  )
  it.each([
    [{ id: '' }, 'id'],
    [{ category: 'rocket' }, 'category'],
    [{ ports: { x: { kind: 'wormhole' } } }, 'ports.x'],
    [{ extra: 1 }, ''],
  ])('refuses %j', (change, field) =>
    expect(refusal(profileSchema, { ...shelf.profiles[0], ...change })?.field).toBe(field),
  )
  it.each(shelf.parts.map((part) => [part.name, part] as const))(
    '%s has a curve that can be read and a source',
    (name, part) => {
      expect(name).toMatch(/^[a-z0-9.-]+$/)
      expect(part.source.length).toBeGreaterThan(5)
      const { lowC, highC, resistance, temperature } = probeCurve(part.curve)
      expect(temperature(resistance((lowC + highC) / 2))).toBeCloseTo((lowC + highC) / 2, 6)
    },
  )
  it.each(shelf.fluids.map((table) => [table.fluid, table] as const))(
    '%s has its figures at the same shares, rising',
    (_, table) => {
      expect(table.source.length).toBeGreaterThan(5)
      const shares = table.freezeC.map(([share]) => share)
      for (const rows of [table.densityAt20, table.densityPerK, table.specificHeatAt20, table.specificHeatPerK])
        expect(rows.map(([share]) => share)).toEqual(shares)
      expect([...shares].sort((a, b) => a - b)).toEqual(shares)
    },
  )
})
