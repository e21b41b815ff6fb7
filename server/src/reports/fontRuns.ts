/** Signs outside Latin-1 that the text face has. */
const ALSO = new Set('ŒœŠšŽžŸ–—‘’‚“”„†‡•…‰‹›€™−')

interface FontRun {
  readonly text: string
  readonly font?: 'Fallback'
}

const inTextFace = (character: string) => character.codePointAt(0)! <= 0xff || ALSO.has(character)

/** Splits a text into runs that the text face can set and runs for the fallback face, so that no sign is a missing glyph. */
export function fontRuns(text: string): FontRun[] {
  const runs: { text: string; font?: 'Fallback' }[] = []
  for (const character of text) {
    const fallback = !inTextFace(character)
    const last = runs[runs.length - 1]
    if (last && (last.font === 'Fallback') === fallback) last.text += character
    else runs.push(fallback ? { text: character, font: 'Fallback' } : { text: character })
  }
  return runs
}
