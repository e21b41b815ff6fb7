/** @jest-environment jsdom */
import { afterEach, describe, expect, it } from '@jest/globals'
import { cleanup, render, screen } from '@testing-library/react'
import { shelf } from '@nachtigal/core/testing/loops'
import { TerminalStrip } from './TerminalStrip'

afterEach(cleanup)

describe('TerminalStrip', () => {
  it.each(shelf.map((profile) => [profile.id, profile] as const))(
    '%s: every terminal in its order, every port by name, no names over one another, all inside',
    (_, profile) => {
      const { container } = render(<TerminalStrip profile={profile} />)
      const svg = container.querySelector('svg')!
      const texts = [...svg.querySelectorAll('text')].map((text) => text.textContent)
      const labels = Object.values(profile.terminals)
        .sort((a, b) => a.order - b.order)
        .map(({ label }) => label)
      expect(texts.slice(0, labels.length)).toEqual(labels)
      // Heavy and light are said to a reader too.
      const mains = Object.values(profile.terminals).filter(({ voltageClass }) => voltageClass === 'mains').length
      const spoken = screen.queryByRole('img')?.getAttribute('aria-label') ?? ''
      expect(spoken.split(/\bmains\b/).length - 1).toBe(mains)
      const names = [...svg.querySelectorAll('g > path + text, g > path ~ text')].map((text) => ({
        text: text.textContent!,
        x: Number(text.getAttribute('x')),
        y: Number(text.getAttribute('y')),
      }))
      for (const { text, x, y } of names) {
        const end = x + text.length * 5.6
        expect(end).toBeLessThanOrEqual(Number(svg.getAttribute('width')))
        expect(y).toBeLessThanOrEqual(Number(svg.getAttribute('height')))
        for (const other of names)
          if (other.text !== text && other.y === y && other.x > x) expect(other.x).toBeGreaterThanOrEqual(end)
      }
      const lands = (value: unknown): boolean =>
        typeof value === 'string'
          ? Object.hasOwn(profile.terminals, value)
          : value !== null && typeof value === 'object' && Object.values(value).some(lands)
      const titles = Object.values(profile.ports).flatMap((port) => (lands(port) ? [port.title] : []))
      expect(names.map(({ text }) => text).sort()).toEqual(titles.sort())
    },
  )
})
