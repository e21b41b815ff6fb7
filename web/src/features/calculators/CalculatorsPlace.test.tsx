/** @jest-environment jsdom */
import { beforeEach, describe, expect, it, jest } from '@jest/globals'
import { screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { Route, Routes } from 'react-router'
import { emptyJob, emptyLoop } from '@nachtigal/core/document/documents'
import { calculations } from '@nachtigal/core/calc/registry'
import { calcData } from '@nachtigal/core/testing/calcData'
import { renderPiece } from '../../testing/render'

jest.unstable_mockModule('../../drawing/picture/LinesDrawing', () => ({ LinesDrawing: () => null }))
const { JobContext } = await import('../../loop/jobContext')
const { OutboxContext } = await import('../../loop/outboxContext')
const { CalculatorsPlace } = await import('./CalculatorsPlace')

Object.assign(globalThis, {
  matchMedia: () => ({ matches: true, addEventListener: () => undefined, removeEventListener: () => undefined }),
})
beforeEach(() => sessionStorage.clear())

const job = emptyJob('job', { name: 'House', place: '', zone: 'Europe/Oslo', temperatureUnit: 'F', system: 'us' })
const loops = { floor: emptyLoop('floor', 'job', 'floor', 'Floor', 1) }

/** The calculators of a job in °F with one loop, or with none. */
const place = (path: string, held = loops) =>
  renderPiece(
    <OutboxContext.Provider value={{ add: async () => undefined } as never}>
      <JobContext.Provider
        value={{ job, loops: held, revision: 1, data: calcData.fields, calcData, profiles: [] } as never}
      >
        <Routes>
          <Route path="/jobs/:jobId/calculators" element={<CalculatorsPlace />} />
          <Route path="/jobs/:jobId/calculators/:calc" element={<CalculatorsPlace />} />
        </Routes>
      </JobContext.Provider>
    </OutboxContext.Provider>,
    path,
  )

describe('CalculatorsPlace', () => {
  it('lists every sum, in groups, and starts with the field to find one', () => {
    place('/jobs/job/calculators')
    expect(screen.getAllByRole('link').filter((link) => link.className === 'sum-row')).toHaveLength(calculations.length)
    expect(screen.getByRole('region', { name: 'Outdoor reset' })).toBeTruthy()
    expect(document.activeElement).toBe(screen.getByRole('searchbox', { name: 'Find a calculator' }))
  })
  it('finds, walks with the arrows, empties with Escape and opens with Enter', async () => {
    place('/jobs/job/calculators')
    const find = screen.getByRole('searchbox', { name: 'Find a calculator' })
    await userEvent.type(find, 'dew point')
    await userEvent.keyboard('{ArrowDown}')
    expect(document.activeElement?.textContent).toBe('Moist air and dew point')
    await userEvent.keyboard('{ArrowUp}')
    expect(document.activeElement).toBe(find)
    await userEvent.keyboard('{Escape}')
    expect((find as HTMLInputElement).value).toBe('')
    await userEvent.type(find, 'glycol{Enter}')
    expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('Water and glycol')
  })
  it('says what to try when nothing is found', async () => {
    place('/jobs/job/calculators')
    await userEvent.type(screen.getByRole('searchbox', { name: 'Find a calculator' }), 'qqqq')
    expect(screen.getByText(/Nothing like that/)).toBeTruthy()
  })
  it('says when an address names none', () => {
    place('/jobs/job/calculators/no.such')
    expect(screen.getByText('There is no calculator "no.such". Find one on the left.')).toBeTruthy()
  })
  it('speaks the job\u2019s units, limits too', async () => {
    place('/jobs/job/calculators/floor.output')
    const surface = screen.getByRole('textbox', { name: 'Surface' })
    expect((surface as HTMLInputElement).value).toBe('84.2')
    await userEvent.clear(surface)
    await userEvent.type(surface, '-500')
    expect(screen.getByRole('alert').textContent).toBe('Surface: a number from \u2212459.67\u00a0°F to 5432\u00a0°F')
  })
  it('keeps a sum in a loop\u2019s log only where there is a loop', async () => {
    place('/jobs/job/calculators/cycling.worst')
    await userEvent.click(screen.getByRole('button', { name: 'Keep in a log' }))
    expect(screen.getByRole('dialog').textContent).toContain('Cycles at the worst half load')
    await userEvent.keyboard('{Escape}')
    document.body.innerHTML = ''
    place('/jobs/job/calculators/cycling.worst', {} as typeof loops)
    expect(screen.getByRole('button', { name: 'Keep in a log: no loop yet' }).hasAttribute('disabled')).toBe(true)
  })
  it('turns a sign by thumb', async () => {
    place('/jobs/job/calculators/reset.supply')
    const outdoor = screen.getByRole('textbox', { name: 'Outdoor' }) as HTMLInputElement
    expect(outdoor.value).toBe('41')
    await userEvent.click(screen.getByRole('button', { name: 'Turn the sign of outdoor', hidden: true }))
    expect(outdoor.value).toBe('\u221241')
    await userEvent.click(screen.getByRole('button', { name: 'Turn the sign of outdoor', hidden: true }))
    expect(outdoor.value).toBe('41')
  })
})
