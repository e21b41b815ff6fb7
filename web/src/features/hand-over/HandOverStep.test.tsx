/** @jest-environment jsdom */
import { describe, expect, it } from '@jest/globals'
import { fireEvent, screen, within } from '@testing-library/react'
import { handoverTicks } from '@nachtigal/core/document/handover'
import { plannedFloor } from '@nachtigal/core/testing/warmFloor'
import { pageInLoop } from '../../testing/inLoop'
import { HandOverStep } from './HandOverStep'

const shut = () =>
  within(screen.getByRole('list', { name: 'Keeps it shut' }))
    .getAllByRole('listitem')
    .map(({ textContent }) => textContent)

describe('HandOverStep', () => {
  it('says what keeps it shut, one line each, and offers no signature meanwhile', () => {
    pageInLoop(plannedFloor(), <HandOverStep />)
    expect(shut()).toEqual(expect.arrayContaining(['Not ticked: test certificates are with it.']))
    expect(screen.queryByRole('button', { name: /^Sign/ })).toBeNull()
  })
  it('a tick is one command, and its line goes', () => {
    const { sent } = pageInLoop(plannedFloor(), <HandOverStep />)
    const before = shut().length
    fireEvent.click(screen.getByRole('checkbox', { name: Object.values(handoverTicks)[0] as string }))
    expect(sent).toMatchObject([{ action: 'tick-hand-over' }])
    expect(shut()).toHaveLength(before - 1)
    // What is not on the server yet is not on a sheet either.
    expect(screen.getByText(/1 change is not on the server yet/)).toBeTruthy()
  })
  it('tells how each of the six steps before it stands', () => {
    pageInLoop(plannedFloor(), <HandOverStep />)
    const standing = within(screen.getByRole('region', { name: 'Where it stands' })).getAllByRole('listitem')
    expect(standing.map(({ textContent }) => /survey|match|wire|set|try|prove/.exec(textContent!)?.[0])).toEqual([
      'survey',
      'match',
      'wire',
      'set',
      'try',
      'prove',
    ])
  })
})
