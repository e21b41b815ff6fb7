/** @jest-environment jsdom */
import { describe, expect, it } from '@jest/globals'
import { act, fireEvent, screen } from '@testing-library/react'
import { factsOfKind } from '@nachtigal/core/kinds/kinds'
import type { NumberQuestion } from '@nachtigal/core/kinds/question'
import { surveyed } from '@nachtigal/core/testing/loops'
import { pageInLoop } from '../../testing/inLoop'
import { WaysDialog } from './WaysDialog'

const power = factsOfKind('cabinet').questions.find(({ id }) => id === 'power') as NumberQuestion
const none = () => undefined

describe('a figure that is worked out', () => {
  it('takes what was measured, units typed along, and is put into the survey with it', async () => {
    const { now } = pageInLoop(surveyed('cabinet'), <WaysDialog question={power} open onClose={none} />)
    expect(screen.getByLabelText<HTMLInputElement>('Across it').value).toBe('230.0')
    fireEvent.change(screen.getByLabelText('Current'), { target: { value: '8700 mA' } })
    expect((await screen.findByRole('status')).textContent).toContain('2001')
    await act(async () => {
      fireEvent.click(screen.getByRole('button', { name: /Put it in/ }))
      await Promise.resolve()
    })
    expect(now().survey.answers['power']).toBeCloseTo(2001, 6)
    expect(now().survey.ways?.['power']).toMatchObject({
      way: 'two-wires',
      values: { volts: 230, amps: expect.closeTo(8.7) },
    })
  })
  it('names a figure that it does not take', async () => {
    pageInLoop(surveyed('cabinet'), <WaysDialog question={power} open onClose={none} />)
    fireEvent.change(screen.getByLabelText('Current'), { target: { value: 'nine' } })
    expect(await screen.findByText(/^Current is nine: it takes/)).toBeTruthy()
  })
  it('in a US job the volts are those found there', () => {
    const { job, loop } = surveyed('cabinet')
    pageInLoop({ job: { ...job, practice: 'us' }, loop }, <WaysDialog question={power} open onClose={none} />)
    expect(screen.getByLabelText<HTMLInputElement>('Across it').value).toBe('240.0')
  })
})
