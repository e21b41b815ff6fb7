/** @jest-environment jsdom */
import { describe, expect, it } from '@jest/globals'
import { screen } from '@testing-library/react'
import { plannedFloor, surveyedFloor } from '@nachtigal/core/testing/warmFloor'
import { pageInLoop } from '../../testing/inLoop'
import { BoardPlace } from './BoardPlace'

describe('BoardPlace', () => {
  it('counts the loops, and what is to be looked at in them', () => {
    pageInLoop(plannedFloor(), <BoardPlace />)
    expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('1 loop')
    expect(screen.getAllByRole('link', { name: /Hatchling floor/ }).length).toBeGreaterThan(0)
  })
  it('names a loop that something is wrong in as one to look at', () => {
    const { job, loop } = surveyedFloor()
    const odd = { ...loop, survey: { ...loop.survey, answers: { ...loop.survey.answers, target: 90 } } }
    pageInLoop({ job, loop: odd }, <BoardPlace />)
    expect(screen.getByText('1 to look at')).toBeTruthy()
  })
})
