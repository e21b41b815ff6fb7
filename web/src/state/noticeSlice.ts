import { createSlice, type PayloadAction } from '@reduxjs/toolkit'
import type { Command } from '@nachtigal/core/document/command'

/** Something that was just taken away, told for a while with the way back; or why something was not done. */
interface Notice {
  readonly text: string
  readonly command?: Command
}

const slice = createSlice({
  name: 'notice',
  initialState: null as Notice | null,
  reducers: {
    noticeGiven: (_, { payload }: PayloadAction<Notice>) => payload,
    noticeClosed: () => null,
  },
})

export const noticeReducer = slice.reducer
export const { noticeGiven, noticeClosed } = slice.actions
