import { useMediaQuery } from 'usehooks-ts'

export const PHONE = '(max-width: 767px)'

/** Whether a media query holds now. */
export const useMedia = (query: string): boolean => useMediaQuery(query)
