import { configureStore } from '@reduxjs/toolkit'
import { useDispatch, useSelector } from 'react-redux'
import { api } from './api'
import { contactsReducer } from './contactsSlice'
import { documentsReducer } from './documentsSlice'
import { draftsReducer, storeDrafts } from './draftsSlice'
import { noticeReducer } from './noticeSlice'
import { storeCalculators, calculatorsReducer } from './calculatorsSlice'
import { showTheme, storeView, viewReducer } from './viewSlice'

/** One store: documents (the job), drafts and view (this device), and the cache of the server's answers. */
export function createStore() {
  const store = configureStore({
    reducer: {
      documents: documentsReducer,
      drafts: draftsReducer,
      view: viewReducer,
      contacts: contactsReducer,
      notice: noticeReducer,
      calculators: calculatorsReducer,
      [api.reducerPath]: api.reducer,
    },
    middleware: (usual) => usual({ immutableCheck: false, serializableCheck: false }).concat(api.middleware),
  })
  let { drafts, calculators, view } = store.getState()
  showTheme(view)
  store.subscribe(() => {
    const next = store.getState()
    if (next.drafts !== drafts) storeDrafts((drafts = next.drafts))
    if (next.calculators !== calculators) storeCalculators((calculators = next.calculators))
    if (next.view !== view) {
      storeView((view = next.view))
      showTheme(view)
    }
  })
  return store
}

export type AppStore = ReturnType<typeof createStore>
export type RootState = ReturnType<AppStore['getState']>
export const useAppSelector = useSelector.withTypes<RootState>()
export const useAppDispatch = useDispatch.withTypes<AppStore['dispatch']>()
