import { createSlice, type PayloadAction } from '@reduxjs/toolkit'

/** Text that was typed but is not a value yet, by field. Kept outside the screens so that nothing that breaks takes it along. */
type Drafts = Readonly<Record<string, string>>

const KEY = 'nachtigal.drafts'

function restored(): Drafts {
  try {
    return JSON.parse(globalThis.sessionStorage?.getItem(KEY) ?? '{}') as Drafts
  } catch {
    return {}
  }
}

const slice = createSlice({
  name: 'drafts',
  initialState: restored,
  reducers: {
    drafted: (state, { payload }: PayloadAction<{ key: string; text: string }>) => ({
      ...state,
      [payload.key]: payload.text,
    }),
    draftCleared(state, { payload }: PayloadAction<string>) {
      const { [payload]: _gone, ...rest } = state
      return rest
    },
  },
})

export const draftsReducer = slice.reducer
export const { drafted, draftCleared } = slice.actions
export const storeDrafts = (drafts: Drafts) => {
  globalThis.sessionStorage?.setItem(KEY, JSON.stringify(drafts))
}
