/** @jest-environment jsdom */
import { afterEach, describe, expect, it, jest } from '@jest/globals'
import { cleanup, render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import type { StepState } from '@nachtigal/core/progress/stepStatus'
import { Chain } from './chain/Chain'
import type { ChainConnection, ChainLink } from './chain/chainLink'
import { UprightChain } from './chain/UprightChain'
import { MiniScale } from './MiniScale'
import { ProofBar } from './ProofBar'
import { StepTrack } from './StepTrack'

afterEach(cleanup)

const numbers = (path: string) => [...path.matchAll(/-?\d+(?:\.\d+)?/g)].map(Number)

describe('ProofBar', () => {
  const bar = (reading: number | undefined, props: Partial<Parameters<typeof ProofBar>[0]> = {}) =>
    render(
      <ProofBar
        expected={28}
        low={27.5}
        high={28.5}
        reading={reading}
        verdict="fits"
        format={(v) => v.toFixed(1)}
        {...props}
      />,
    ).container.querySelector('svg')!

  it('says what it shows to a reader', () => {
    expect(bar(28.2).getAttribute('aria-label')).toBe('Should be 27.5 to 28.5, reads 28.2')
    cleanup()
    expect(bar(undefined).getAttribute('aria-label')).toBe('Should be 27.5 to 28.5')
  })
  it('has one bracket where only one side is bounded', () => {
    const open = bar(9, { expected: 8, low: 8, high: undefined })
    expect(open.getAttribute('aria-label')).toBe('Should be at least 8.0, reads 9.0')
    expect(open.querySelectorAll('path[fill=none]')).toHaveLength(1)
  })
  it('writes expected value and both limits, and the reading above', () => {
    const texts = [...bar(28.9).querySelectorAll('text')].map((t) => t.textContent)
    expect(texts).toEqual(['28.9', 'should', '28.0', '27.5', '28.5'])
  })
  it.each([
    ['large', 536],
    ['phone', 350],
  ] as const)('keeps a reading far off on the %s bar, figures and all', (size, width) => {
    const [reading] = bar(60, { size, verdict: 'look' }).querySelectorAll('text')
    expect(Number(reading!.getAttribute('x'))).toBeLessThanOrEqual(width - 26)
  })
  it('is the same bar in a list, without figures', () => {
    const list = bar(28.2, { size: 'list' })
    expect(list.querySelectorAll('text')).toHaveLength(0)
    expect(list.getAttribute('viewBox')).toBe('0 0 132 20')
  })
  it('draws nothing between before there is a reading', () => {
    expect(bar(undefined, { verdict: 'waiting' }).querySelectorAll('rect')).toHaveLength(1)
  })
})

describe('StepTrack', () => {
  it.each([
    [['done', 'done', 'open', 'waiting', 'waiting', 'waiting', 'waiting'], '2 of 7 steps done'],
    [['done', 'look', 'done', 'done', 'done', 'done', 'done'], '6 of 7 steps done, something to look at'],
    [['stop', 'look', 'waiting', 'waiting', 'waiting', 'waiting', 'waiting'], '0 of 7 steps done, a stop'],
  ] as [StepState[], string][])('%j', (states, says) => {
    render(<StepTrack states={states} />)
    expect(screen.getByRole('img').getAttribute('aria-label')).toBe(says)
  })
  it('tells the five states apart by shape, not by colour alone', () => {
    const shape = (state: StepState) => {
      const { container } = render(<StepTrack states={[state]} />)
      const drawn = [...container.querySelectorAll('rect')].map((r) =>
        ['x', 'y', 'width', 'height', 'fill'].map((a) =>
          a === 'fill' ? r.getAttribute(a) === 'none' : r.getAttribute(a),
        ),
      )
      cleanup()
      return JSON.stringify(drawn)
    }
    expect(new Set((['done', 'open', 'waiting', 'look', 'stop'] as const).map(shape)).size).toBe(5)
  })
  it('points at where one is', () => {
    const { container } = render(<StepTrack states={['done', 'open']} here={1} />)
    expect(container.querySelectorAll('path')).toHaveLength(1)
  })
})

describe('MiniScale', () => {
  const mini = (props: Partial<Parameters<typeof MiniScale>[0]> = {}) =>
    render(
      <MiniScale rungs={[{ on: 27, off: 28, action: 'heating' }]} set={28} reading={27.1} label="Set 28" {...props} />,
    ).container
  const rung = (container: HTMLElement) => Number(container.querySelector('rect')!.getAttribute('y'))

  it('heats above the scale and cools below it', () => {
    const heats = rung(mini())
    cleanup()
    expect(heats).toBeLessThan(25)
    expect(rung(mini({ rungs: [{ action: 'cooling', on: 28, off: 27 }] }))).toBeGreaterThan(25)
  })
  it('keeps a reading and limits that are far off inside', () => {
    const container = mini({ reading: 90, lowest: -40, highest: 200 })
    for (const path of container.querySelectorAll('path'))
      for (const x of numbers(path.getAttribute('d')!).filter((_, i) => i === 0)) {
        expect(x).toBeGreaterThanOrEqual(-1)
        expect(x).toBeLessThanOrEqual(161)
      }
  })
  it('has no needle without a reading', () => {
    const without = mini({ reading: undefined }).querySelectorAll('path').length
    cleanup()
    expect(mini().querySelectorAll('path').length).toBe(without + 1)
  })
})

describe('Chain', () => {
  const link = (id: string, name: string, more: Partial<ChainLink> = {}): ChainLink => ({
    key: name,
    id,
    name,
    sub: 'from the shelf',
    sign: 'probe',
    ...more,
  })
  const connection = (kind: ChainConnection['kind'], word: string): ChainConnection => ({
    kind,
    word,
    passes: '12171 ohm',
    detail: <p>Why it {word}</p>,
  })
  const links = [link('probe', 'B1 Floor probe'), link('controller', 'A1 Dipper'), link('load', 'M1 Circulator')]
  const chain = (connections: readonly (ChainConnection | undefined)[], onLink = jest.fn<(id: string) => void>()) => {
    const given = {
      links,
      connections,
      supply: link('supply', 'X1 Circuit 10 A'),
      rail: connection('fits', 'fits'),
      onLink,
    }
    return { onLink, given, ...render(<Chain {...given} />) }
  }

  it('puts the verdict on the connection, in words and shape', () => {
    chain([connection('stop', 'does not fit'), connection('look', 'look again')])
    expect(screen.getByRole('button', { name: 'B1 Floor probe to A1 Dipper: does not fit' })).toBeTruthy()
    expect(screen.getByRole('button', { name: 'A1 Dipper to M1 Circulator: look again' })).toBeTruthy()
    expect(screen.getByRole('button', { name: 'Supply: fits' })).toBeTruthy()
  })
  it('opens the reason by key', async () => {
    chain([connection('stop', 'does not fit'), undefined])
    screen.getByRole('button', { name: /does not fit/ }).focus()
    await userEvent.keyboard('{Enter}')
    expect(screen.getByRole('dialog').textContent).toBe('Why it does not fit')
  })
  it('goes to the shelf by a tap on a link', async () => {
    const { onLink } = chain([undefined, undefined])
    await userEvent.click(screen.getByRole('button', { name: /M1 Circulator/ }))
    expect(onLink).toHaveBeenCalledWith('load')
  })
  it('leaves a gap where nothing is joined', () => {
    chain([undefined, connection('fits', 'fits')])
    expect(screen.queryByRole('button', { name: /^B1 Floor probe to/ })).toBeNull()
  })
  it('stands upright on a phone with the same connections and links', () => {
    const { given } = chain([connection('fits', 'fits'), undefined])
    const names = () => screen.getAllByRole('button').map((b) => b.getAttribute('aria-label') ?? b.textContent)
    const lying = new Set(names())
    cleanup()
    render(<UprightChain {...given} />)
    expect(new Set(names())).toEqual(lying)
    expect(screen.getByText('not joined')).toBeTruthy()
  })
})
