import { fileURLToPath } from 'node:url'
import { describe, expect, it } from '@jest/globals'
import { refusal } from '@nachtigal/contract/check'
import { profileSchema } from '@nachtigal/contract/profileSchema'
import { readShelf } from './readShelf'

const shelf = readShelf(fileURLToPath(new URL('../../shelf', import.meta.url)))

describe('shelf', () => {
  it.each(shelf.profiles.map((profile) => [profile.id, profile] as const))(
    '%s: ids are unique, ports name terminals that are there',
    (id, profile) => {
      expect(shelf.profiles.filter((other) => other.id === id)).toHaveLength(1)
      for (const port of Object.values(profile.ports)) {
        const named =
          port.kind === 'supply-in'
            ? Object.values(port.variants).flatMap((v) => [v.line, v.neutral])
            : Object.entries(port)
                .filter(([key]) => ['line', 'neutral', 'earth', 'a', 'b', 'common', 'make'].includes(key))
                .map(([, terminal]) => String(terminal))
        for (const terminal of named) expect(Object.keys(profile.terminals)).toContain(terminal)
      }
      for (const parameter of Object.values(profile.controller?.parameters ?? {}))
        for (const code of Object.keys(parameter.resets ?? {}))
          expect(Object.keys(profile.controller!.parameters)).toContain(code)
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
})
