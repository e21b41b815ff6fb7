import { createListenerMiddleware } from '@reduxjs/toolkit'
import { type calculatorsReducer, storeCalculators } from './calculatorsSlice'
import { type draftsReducer, storeDrafts } from './draftsSlice'
import { storeView, type viewReducer } from './viewSlice'

/** The parts of the store that are kept. */
interface Kept {
  readonly drafts: ReturnType<typeof draftsReducer>
  readonly calculators: ReturnType<typeof calculatorsReducer>
  readonly view: ReturnType<typeof viewReducer>
}

/** What this device keeps over a reload, written whenever it has changed: drafts, calculators, the view. */
export function keptMiddleware() {
  const { middleware, startListening } = createListenerMiddleware()
  const whenever = <Part extends keyof Kept>(part: Part, write: (value: Kept[Part]) => void) =>
    startListening.withTypes<Kept, never>()({
      predicate: (_action, now, then) => now[part] !== then[part],
      effect: (_action, { getState }) => write(getState()[part]),
    })
  whenever('drafts', storeDrafts)
  whenever('calculators', storeCalculators)
  whenever('view', storeView)
  return middleware
}
