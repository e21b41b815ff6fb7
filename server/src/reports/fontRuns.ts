import { inFallbackFace } from './fallbackSigns'

/** Stands for a sign that neither face draws. */
export const NO_SIGN = '\u25af'

/** Signs outside Latin-1 that the text face has. */
const ALSO = new Set('ŒœŠšŽžŸ–—‘’‚“”„†‡•…‰‹›€™−')

interface FontRun {
  readonly text: string
  readonly font?: 'Fallback'
}

const inTextFace = (character: string) => character.codePointAt(0)! <= 0xff || ALSO.has(character)

const signs = new Intl.Segmenter('en', { granularity: 'grapheme' })
const unseen = /\p{Default_Ignorable_Code_Point}/u

/** A text as the faces can draw it: a sign that neither has, also one made of several, as one empty box. */
export const drawable = (text: string): string =>
  Array.from(signs.segment(text), ({ segment }) => {
    const seen = [...segment].filter((character) => !unseen.test(character))
    return seen.every((each) => /\s/.test(each) || inTextFace(each) || inFallbackFace(each.codePointAt(0)!))
      ? seen.join('')
      : NO_SIGN
  }).join('')

/** Splits a text into runs that the text face can set and runs for the fallback face, so that no sign is a missing glyph: one that neither has stands as an empty box. */
export function fontRuns(text: string): FontRun[] {
  const runs: { text: string; font?: 'Fallback' }[] = []
  for (const character of drawable(text)) {
    const fallback = !inTextFace(character)
    const last = runs[runs.length - 1]
    if (last && (last.font === 'Fallback') === fallback) last.text += character
    else runs.push(fallback ? { text: character, font: 'Fallback' } : { text: character })
  }
  return runs
}
