import { createSlice, type PayloadAction } from '@reduxjs/toolkit'

/** What this device prefers; never part of a job. */
interface View {
  readonly theme: 'day' | 'night'
  /** A look in the other unit; the job's setting stays. */
  readonly unit: 'C' | 'F' | null
  /** Who types here, for the log. */
  readonly by: string
  /** Output in hand of each loop that has several: loop id, plan id. */
  readonly outputs: Readonly<Record<string, string>>
}

const KEY = 'nachtigal.view'

function restored(): View {
  const usual: View = {
    theme: globalThis.matchMedia?.('(prefers-color-scheme: dark)').matches ? 'night' : 'day',
    unit: null,
    by: '',
    outputs: {},
  }
  try {
    return { ...usual, ...(JSON.parse(globalThis.localStorage?.getItem(KEY) ?? '{}') as Partial<View>), unit: null }
  } catch {
    return usual
  }
}

const slice = createSlice({
  name: 'view',
  initialState: restored,
  reducers: {
    themeTurned: (state) => ({ ...state, theme: state.theme === 'day' ? ('night' as const) : ('day' as const) }),
    unitLookedAt: (state, { payload }: PayloadAction<'C' | 'F' | null>) => ({ ...state, unit: payload }),
    outputTaken: (state, { payload }: PayloadAction<{ loop: string; plan: string }>) => ({
      ...state,
      outputs: { ...state.outputs, [payload.loop]: payload.plan },
    }),
    nameGiven: (state, { payload }: PayloadAction<string>) => ({ ...state, by: payload }),
  },
})

export const viewReducer = slice.reducer
export const { themeTurned, unitLookedAt, outputTaken, nameGiven } = slice.actions
export const storeView = (view: View) => {
  globalThis.localStorage?.setItem(KEY, JSON.stringify(view))
}

/** Puts the theme on the page before anything is drawn with it: drawings on a canvas read their colours from the page. */
export const showTheme = ({ theme }: View) => {
  if (globalThis.document) document.documentElement.dataset['theme'] = theme
}
