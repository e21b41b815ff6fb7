/** @jest-environment jsdom */
import { afterEach, beforeAll, describe, expect, it, jest } from '@jest/globals'
import { cleanup, render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import type { Picture } from '@nachtigal/core/wiring/picture/picture'
import type { WireRow } from '@nachtigal/core/wiring/wireRow'
import type { ResolvedDevice } from '@nachtigal/core/document/chain'
import { ContactsDrawing } from './picture/ContactsDrawing'
import { WiringPicture } from './WiringPicture'

beforeAll(() => {
  globalThis.ResizeObserver = class {
    observe() {}
    unobserve() {}
    disconnect() {}
  }
})
afterEach(cleanup)

const device = (id: string, tag: string) =>
  ({ id, tag, name: `device ${tag}`, facts: { ports: { out1: { title: 'heat' } } } }) as unknown as ResolvedDevice
const row = (id: string, number: number, liveFrom?: string): WireRow =>
  ({
    id,
    number,
    from: { device: 'a', tag: 'A1', deviceName: 'Dipper', terminal: '5', label: '5' },
    to: { device: 'm', tag: 'M1', deviceName: 'Pump', terminal: 'L', label: 'L' },
    role: 'switched',
    circuit: 'mains',
    ...(liveFrom === undefined ? {} : { liveFrom }),
  }) as unknown as WireRow
const block = (id: string, tag: string, x: number, terminals: readonly string[]) => ({
  device: device(id, tag),
  x,
  y: 40,
  width: 100,
  height: 120,
  terminals: terminals.map((terminal, i) => ({
    terminal,
    label: terminal,
    x: x + 72,
    y: 70 + 28 * i,
    width: 28,
    height: 24,
    used: true,
    free: false,
  })),
  contacts:
    id === 'a'
      ? [
          {
            kind: 'contact' as const,
            port: 'out1',
            from: { x: x + 72, y: 82 },
            to: { x: x + 72, y: 110 },
            inward: -1 as const,
          },
        ]
      : [],
  texts: [{ x: x + 8, y: 60, text: `${tag} device`, anchor: 'start' as const, style: 'title' as const }],
})
const picture: Picture = {
  width: 600,
  height: 300,
  blocks: [block('a', 'A1', 20, ['5', '6']), block('m', 'M1', 320, ['L', 'N'])],
  wires: [
    {
      row: row('w1', 1),
      points: [
        { x: 120, y: 82 },
        { x: 320, y: 82 },
      ],
      at: { x: 200, y: 82 },
    },
    {
      row: row('w2', 2, 'E1'),
      points: [
        { x: 120, y: 110 },
        { x: 320, y: 110 },
      ],
      at: { x: 200, y: 110 },
    },
  ],
  heads: [],
}

function show(props: Partial<Parameters<typeof WiringPicture>[0]> = {}) {
  const onChoose = jest.fn<(row: string) => void>()
  const onStep = jest.fn<(by: number) => void>()
  const onFlip = jest.fn<(device: string, port: string) => void>()
  const { container } = render(
    <WiringPicture
      picture={picture}
      chosen="w1"
      landed={(id) => id === 'w1'}
      onChoose={onChoose}
      onStep={onStep}
      closed={() => false}
      canFlip={() => true}
      onFlip={onFlip}
      runs={(id) => (id === 'm' ? false : undefined)}
      {...props}
    />,
  )
  return { container, onChoose, onStep, onFlip, frame: screen.getByRole('group') }
}

describe('WiringPicture', () => {
  it('draws landed wires solid and others dashed, the chosen one under the marker', () => {
    const { container } = show()
    const dashed = [...container.querySelectorAll('path')].filter((p) => p.getAttribute('stroke-dasharray') === '7 5')
    expect(dashed.length).toBe(1)
    expect(
      [...container.querySelectorAll('path')].filter((p) => p.getAttribute('stroke') === 'var(--mark)').length,
    ).toBe(1)
  })
  it('marks a wire that stays live, in words too', () => {
    const { container } = show()
    expect(container.querySelector('path > title')?.textContent).toBe('stays live from E1')
  })
  it('a tap on a wire or on its number chooses it', async () => {
    const { onChoose, container } = show()
    await userEvent.click(screen.getByText('2'))
    await userEvent.click(container.querySelectorAll('path[stroke="transparent"]')[0]!)
    expect(onChoose.mock.calls.map(([id]) => id)).toEqual(['w2', 'w1'])
  })
  it('arrow keys walk, plus and minus zoom, nought shows the whole', async () => {
    const { onStep, frame, container } = show()
    frame.focus()
    await userEvent.keyboard('{ArrowDown}{ArrowRight}{ArrowUp}')
    expect(onStep.mock.calls.map(([by]) => by)).toEqual([1, 1, -1])
    const width = () => Number(container.querySelector('svg[data-picture]')!.getAttribute('width'))
    const whole = width()
    await userEvent.keyboard('+')
    expect(width()).toBeGreaterThan(whole)
    await userEvent.keyboard('0')
    expect(width()).toBe(whole)
    await userEvent.click(screen.getByRole('button', { name: 'Larger' }))
    await userEvent.click(screen.getByRole('button', { name: 'Whole picture' }))
    expect(width()).toBe(whole)
  })
  it('a contact is a switch by tap and by key; the walk does not take its keys', async () => {
    const { onFlip, onStep } = show()
    const contact = screen.getByRole('switch', { name: 'Contact A1 heat' })
    await userEvent.click(contact)
    contact.focus()
    await userEvent.keyboard('{Enter}{ArrowDown}')
    expect(onFlip.mock.calls).toEqual([
      ['a', 'out1'],
      ['a', 'out1'],
    ])
    expect(onStep).not.toHaveBeenCalled()
  })
  it('what a coil moves is drawn and is no switch', () => {
    show({ canFlip: () => false })
    expect(screen.queryByRole('switch')).toBeNull()
  })
  it.each([
    [true, 'M1 runs'],
    [false, 'M1 rests'],
  ])('a load that runs: %s, is told to a reader', (on, name) => {
    show({ runs: (id) => (id === 'm' ? on : undefined) })
    expect(screen.getByRole('img', { name })).toBeDefined()
    expect(screen.getAllByRole('img').length).toBe(1)
  })
})

describe('ContactsDrawing that can be played with', () => {
  const expression = { and: ['A1', { or: ['S1', 'K1'] }] }
  it('flips the contact that is tapped', async () => {
    const onFlip = jest.fn<(name: string) => void>()
    render(<ContactsDrawing expression={expression} label="line" closed={new Set(['A1'])} onFlip={onFlip} load="M1" />)
    await userEvent.click(screen.getByText('S1'))
    await userEvent.click(screen.getByText('A1'))
    expect(onFlip.mock.calls.map(([name]) => name)).toEqual(['S1', 'A1'])
  })
  it.each([
    [['A1'], '1.5'],
    [['A1', 'K1'], '3.5'],
    [['S1', 'K1'], '1.5'],
  ])('with %s closed the lamp is drawn %s thick', (closed, width) => {
    const { container } = render(
      <ContactsDrawing expression={expression} label="line" closed={new Set(closed)} load="M1" />,
    )
    expect(
      [...container.querySelectorAll('circle')].find((c) => c.getAttribute('r') === '14')!.getAttribute('stroke-width'),
    ).toBe(width)
  })
  it('without a set of closed contacts it is only drawn', () => {
    const { container } = render(<ContactsDrawing expression="A1" label="line" />)
    expect(container.querySelector('.cursor-pointer')).toBeNull()
  })
})
