/** @jest-environment jsdom */
import { beforeEach, describe, expect, it, jest } from '@jest/globals'
import { render, screen, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { useState } from 'react'
import { DataTable, type TableColumn } from './DataTable'

interface Wire {
  readonly id: string
  readonly number: number
  readonly core: string | undefined
}

const columns: TableColumn<Wire>[] = [
  { id: 'no', title: 'no.', stays: true, value: ({ number }) => number },
  { id: 'core', title: 'core', value: ({ core }) => core, text: ({ core }) => `core ${core ?? 'none'}` },
  { id: 'do', title: 'take out', quiet: true, cell: ({ number }) => <button type="button">Take out {number}</button> },
]
const wires: readonly Wire[] = [
  { id: 'a', number: 10, core: 'BU' },
  { id: 'b', number: 9, core: undefined },
  { id: 'c', number: 2, core: '=BN' },
]
const numbers = () =>
  screen
    .getAllByRole('row')
    .slice(1)
    .map((row) => within(row).getAllByRole('cell')[0]?.textContent)

const list = <DataTable label="Wires" rows={wires} columns={columns} idOf={({ id }) => id} find="Find a wire" />

describe('a table', () => {
  it('is sorted by a tap on a head, the other way by the next, and as it was by the third', async () => {
    const user = userEvent.setup()
    render(list)
    expect(numbers()).toEqual(['10', '9', '2'])
    const head = screen.getByRole('button', { name: 'no.' })
    const seen: unknown[] = []
    for (let tap = 0; tap < 3; tap++) {
      await user.click(head)
      seen.push([numbers().join(' '), head.closest('th')?.getAttribute('aria-sort') ?? null])
    }
    expect(seen).toEqual([
      ['2 9 10', 'ascending'],
      ['10 9 2', 'descending'],
      ['10 9 2', null],
    ])
  })

  it.each([
    ['numbers by their size', [1.5, -4, 10, 1.25, -0.5], [-4, -0.5, 1.25, 1.5, 10]],
    ['texts as one reads them', ['X10 1', 'X2 14', 'X2 3'], ['X2 3', 'X2 14', 'X10 1']],
    ['what is not known last', [undefined, 3, undefined, 1], [1, 3, undefined, undefined]],
  ])('sorts %s', async (_, values, sorted) => {
    const user = userEvent.setup()
    const rows = (values as readonly (string | number | undefined)[]).map((value, i) => ({ id: String(i), value }))
    render(
      <DataTable
        label="Values"
        rows={rows}
        columns={[{ id: 'value', title: 'value', value: ({ value }) => value }]}
        idOf={({ id }) => id}
      />,
    )
    await user.click(screen.getByRole('button', { name: 'value' }))
    expect(numbers()).toEqual(sorted.map((value) => String(value ?? '')))
  })

  it('leaves out what only makes sense in the first order, and says so, while sorted or searched', async () => {
    const user = userEvent.setup()
    render(
      <DataTable
        label="Keys"
        rows={wires}
        columns={[
          {
            id: 'no',
            title: 'no.',
            value: ({ number }) => number,
            cell: ({ number }, inOrder) => `${number}${inOrder ? ' NEXT' : ''}`,
          },
        ]}
        idOf={({ id }) => id}
        find="Find a key"
        outOfOrder="Go back to all of them in their order."
        above={({ id }) =>
          id === 'a' ? (
            <tr>
              <td>from here</td>
            </tr>
          ) : null
        }
      />,
    )
    expect(numbers()).toEqual(['from here', '10 NEXT', '9 NEXT', '2 NEXT'])
    expect(screen.queryByRole('note')).toBeNull()
    await user.type(screen.getByRole('searchbox'), '1')
    expect(numbers()).toEqual(['10'])
    await user.clear(screen.getByRole('searchbox'))
    await user.click(screen.getByRole('button', { name: 'no.' }))
    expect(numbers()).toEqual(['2', '9', '10'])
    expect(screen.getByRole('note').textContent).toBe('Go back to all of them in their order.')
  })

  it('is searched by what is shown, whatever the letters, and says when nothing has it', async () => {
    const user = userEvent.setup()
    render(list)
    await user.type(screen.getByRole('searchbox', { name: 'Find a wire' }), 'CORE b')
    expect(numbers()).toEqual(['10'])
    expect(screen.getByRole('status').textContent).toBe('1 row')
    await user.type(screen.getByRole('searchbox'), 'x')
    expect(screen.getByText('Nothing here has “CORE bx”.')).toBeDefined()
  })

  it('leaves a column out and takes it in again; what says which row it is stays', async () => {
    const user = userEvent.setup()
    render(list)
    await user.click(screen.getByRole('button', { name: 'Columns' }))
    expect(screen.getAllByRole('checkbox').map((box) => box.textContent)).toEqual(['core'])
    await user.click(screen.getByRole('checkbox', { name: 'core' }))
    expect(screen.queryByRole('columnheader', { name: 'core', hidden: true })).toBeNull()
  })

  it('draws what is in sight only, when there are many', () => {
    const many = Array.from({ length: 500 }, (_, i) => ({ id: String(i), number: i, core: 'BN' }))
    const Long = () => {
      const [box, setBox] = useState<HTMLDivElement | null>(null)
      return (
        <div ref={setBox} style={{ height: 360, overflow: 'auto' }}>
          <DataTable label="Wires" rows={many} columns={columns} idOf={({ id }) => id} scroller={box} />
        </div>
      )
    }
    render(<Long />)
    expect(screen.getByRole('table').getAttribute('aria-rowcount')).toBe('501')
    expect(screen.getAllByRole('row').length).toBeLessThan(60)
  })

  describe('copied', () => {
    const written = jest.fn<(text: string) => Promise<void>>()
    beforeEach(() => {
      written.mockReset().mockResolvedValue(undefined)
    })

    it('is what is shown, in its order, without buttons; a formula is text', async () => {
      const user = userEvent.setup()
      jest.spyOn(navigator.clipboard, 'writeText').mockImplementation((text) => written(text))
      render(list)
      await user.type(screen.getByRole('searchbox'), 'core =')
      await user.click(screen.getByRole('button', { name: 'Copy table' }))
      expect(written).toHaveBeenCalledWith('no.\tcore\n2\tcore =BN')
      expect(screen.getByRole('button', { name: 'Copied' })).toBeDefined()
    })

    it('says what to do where the browser does not let it', async () => {
      const user = userEvent.setup()
      jest.spyOn(navigator.clipboard, 'writeText').mockRejectedValue(new Error('no'))
      jest.spyOn(console, 'warn').mockReturnValue()
      render(list)
      await user.click(screen.getByRole('button', { name: 'Copy table' }))
      expect(screen.getByRole('button', { name: /over https/ })).toBeDefined()
    })
  })
})
