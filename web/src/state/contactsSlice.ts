import { createSlice, type PayloadAction } from '@reduxjs/toolkit'

/** Contacts that are held closed on the screen to see what runs, by loop; never part of a job, gone with the page. */
type Contacts = Readonly<Record<string, readonly string[]>>

const slice = createSlice({
  name: 'contacts',
  initialState: (): Contacts => ({}),
  reducers: {
    contactFlipped: (state, { payload: { loop, name } }: PayloadAction<{ loop: string; name: string }>) => {
      const closed = state[loop] ?? []
      return {
        ...state,
        [loop]: closed.includes(name) ? closed.filter((each) => each !== name) : [...closed, name],
      }
    },
    contactsSet: (state, { payload: { loop, names } }: PayloadAction<{ loop: string; names: readonly string[] }>) => ({
      ...state,
      [loop]: [...names],
    }),
  },
})

export const contactsReducer = slice.reducer
export const { contactFlipped, contactsSet } = slice.actions
