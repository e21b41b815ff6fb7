import { render, renderHook } from '@testing-library/react'
import type { ReactElement, ReactNode } from 'react'
import { Provider } from 'react-redux'
import { MemoryRouter } from 'react-router'
import type { Command } from '@nachtigal/core/document/command'
import { calcData } from '@nachtigal/core/testing/calcData'
import { fieldData } from '@nachtigal/core/testing/fieldData'
import { shelf } from '@nachtigal/core/testing/loops'
import type { Edited } from '@nachtigal/core/wiring/edited'
import { JobContext } from '../loop/jobContext'
import { LoopProvider } from '../loop/loopContext'
import { OutboxContext } from '../loop/outboxContext'
import { commandMade, jobRead, selectJob } from '../state/documentsSlice'
import type { Outbox } from '../state/outbox'
import { createStore, useAppSelector } from '../state/store'

/** A loop in hand as the application gives it to its pages: what a page sends counts at once, and is kept in `sent`. */
function loopInHand({ job, loop }: Edited, at = '/') {
  const store = createStore()
  store.dispatch(jobRead({ job, loops: { [loop.id]: loop }, revision: 1 }))
  const sent: Command[] = []
  const add = (command: Command) => {
    sent.push(command)
    store.dispatch(commandMade(command))
    return Promise.resolve()
  }
  const InHand = ({ children }: { readonly children: ReactNode }) => {
    const shown = useAppSelector((state) => selectJob(state, job.id))!
    return (
      <JobContext.Provider value={{ ...shown, broken: {}, data: fieldData, calcData, profiles: shelf }}>
        <LoopProvider
          job={shown.job}
          loop={shown.loops[loop.id]!}
          data={fieldData}
          profiles={shelf}
          loops={shown.loops}
        >
          {children}
        </LoopProvider>
      </JobContext.Provider>
    )
  }
  const wrapper = ({ children }: { readonly children: ReactNode }) => (
    <Provider store={store}>
      <OutboxContext.Provider value={{ add } as unknown as Outbox}>
        <MemoryRouter initialEntries={[at]}>
          <InHand>{children}</InHand>
        </MemoryRouter>
      </OutboxContext.Provider>
    </Provider>
  )
  return { store, sent, wrapper, now: () => selectJob(store.getState(), job.id)!.loops[loop.id]! }
}

/** Runs a hook of a page on a loop. */
export function hookInLoop<T>(edited: Edited, hook: () => T) {
  const { wrapper, ...rest } = loopInHand(edited)
  return { ...renderHook(hook, { wrapper }), ...rest }
}

/** Renders a page on a loop, at an address where the page reads one. */
export function pageInLoop(edited: Edited, page: ReactElement, at?: string) {
  const { wrapper, ...rest } = loopInHand(edited, at)
  return { ...render(page, { wrapper }), ...rest }
}
