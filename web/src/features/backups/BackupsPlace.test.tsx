/** @jest-environment jsdom */
import { describe, expect, it } from '@jest/globals'
import { fireEvent, screen } from '@testing-library/react'
import type { BackupSummary } from '@nachtigal/contract/api'
import { answering } from '../../testing/answering'
import { renderPiece } from '../../testing/render'
import { jobRead } from '../../state/documentsSlice'
import { BackupsPlace } from './BackupsPlace'

const backup = (name: string, more: Partial<BackupSummary> = {}): BackupSummary => ({
  ...{ name, at: '2026-01-05T02:00:00.000Z', why: 'daily', jobs: 2, rows: 40, photos: 1 },
  ...more,
})

describe('BackupsPlace', () => {
  it('says what each holds, and what bringing it back would take away', async () => {
    answering(() => ({
      body: [
        backup('a', { since: { jobs: 0, rows: 0 } }),
        backup('b', { since: { jobs: 1, rows: 3 }, why: 'asked' }),
        backup('c', { jobs: 1, rows: 1, photos: 0 }),
      ],
    }))
    renderPiece(<BackupsPlace />)
    const rows = (await screen.findAllByRole('row')).slice(1).map(({ textContent }) => textContent)
    expect(rows[0]).toContain('2 jobs, 40 changes, 1 photonothing came after it')
    expect(rows[1]).toMatch(/asked for.*3 changes in 1 job came after it/)
    expect(rows[2]).toContain('1 job, 1 change, 0 photoswhat came after it is not known')
  })
  it('is brought back by a tap; what the page holds of jobs is forgotten with it', async () => {
    const asked = answering(({ method }) => ({ body: method === 'POST' ? {} : [backup('a')] }))
    const { store } = renderPiece(<BackupsPlace />)
    store.dispatch(jobRead({ job: { id: 'j', type: 'job' } as never, loops: {}, revision: 1 }))
    fireEvent.click(await screen.findByRole('button', { name: /^Restore the backup of/ }))
    await screen.findByText(/^Restored: .* What stood there before is the newest backup now\.$/)
    expect(asked.some(({ method, at }) => method === 'POST' && at.includes('/a'))).toBe(true)
    expect(store.getState().documents.jobs).toEqual({})
  })
  it('a refusal is told in its words, and nothing is said to be restored', async () => {
    answering(({ method }) =>
      method === 'POST'
        ? { status: 409, body: { error: { code: 'NOT_WHOLE', message: 'the backup is not whole' } } }
        : { body: [backup('a')] },
    )
    renderPiece(<BackupsPlace />)
    fireEvent.click(await screen.findByRole('button', { name: /^Restore the backup of/ }))
    expect((await screen.findByRole('alert')).textContent).toContain('not whole')
    expect(screen.queryByText(/^Restored/)).toBeNull()
  })
})
