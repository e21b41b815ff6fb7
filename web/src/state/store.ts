import { configureStore } from '@reduxjs/toolkit'
import { useDispatch, useSelector } from 'react-redux'
import { api } from './api'
import { contactsReducer } from './contactsSlice'
import { documentsReducer } from './documentsSlice'
import { draftsReducer } from './draftsSlice'
import { keptMiddleware } from './kept'
import { noticeReducer } from './noticeSlice'
import { calculatorsReducer } from './calculatorsSlice'
import { showTheme, viewReducer } from './viewSlice'

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
    middleware: (usual) =>
      usual({ immutableCheck: false, serializableCheck: false }).prepend(keptMiddleware()).concat(api.middleware),
  })
  let { view } = store.getState()
  showTheme(view)
  // Before anybody who listens draws with it: a listener of the middleware would come after them.
  store.subscribe(() => {
    const { view: next } = store.getState()
    if (next !== view) showTheme((view = next))
  })
  return store
}

export type AppStore = ReturnType<typeof createStore>
export type RootState = ReturnType<AppStore['getState']>
export const useAppSelector = useSelector.withTypes<RootState>()
export const useAppDispatch = useDispatch.withTypes<AppStore['dispatch']>()
