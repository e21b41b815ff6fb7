import { createListenerMiddleware } from '@reduxjs/toolkit'
import { storeCalculators } from './calculatorsSlice'
import { storeDrafts } from './draftsSlice'
import type { RootState } from './store'
import { storeView } from './viewSlice'

/** What this device keeps over a reload, written whenever it has changed: drafts, calculators, the view. */
export function keptMiddleware() {
  const { middleware, startListening } = createListenerMiddleware()
  const whenever = <Part extends keyof RootState>(part: Part, write: (value: RootState[Part]) => void) =>
    startListening.withTypes<RootState, never>()({
      predicate: (_action, now, then) => now[part] !== then[part],
      effect: (_action, { getState }) => write(getState()[part]),
    })
  whenever('drafts', storeDrafts)
  whenever('calculators', storeCalculators)
  whenever('view', storeView)
  return middleware
}
