import type { Words } from './words'

/** What is told, with each of its own texts in the words of the practice. Lists of texts too; nothing that lies deeper. */
export const localTexts = <T extends object>(
  told: T,
  { local }: Pick<Words, 'local'>,
  but: readonly string[] = [],
): T =>
  Object.fromEntries(
    Object.entries(told).map(([key, value]: [string, unknown]) => {
      if (but.includes(key)) return [key, value]
      if (typeof value === 'string') return [key, local(value)]
      const texts = Array.isArray(value) && value.every((each) => typeof each === 'string')
      return [key, texts ? (value as string[]).map(local) : value]
    }),
  ) as T
