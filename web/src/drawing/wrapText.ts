/**
 * Mean width of a letter of the condensed face as a share of its size, a little on the wide side: measured 0.36 over the names of the
 * shelf, 0.40 taken, so that what is said to fit does.
 */
const LETTER = 0.4

/**
 * How many lines a text takes in the condensed face when it breaks between words, and within a word only where that alone is too long.
 * @param width of a line, in px
 * @param size of the type, in px
 */
export function linesOf(text: string, width: number, size: number): number {
  const most = Math.max(1, Math.floor(width / (LETTER * size)))
  let lines = 1
  let used = 0
  for (const word of text.trim().split(/\s+/)) {
    if (used > 0 && used + 1 + word.length <= most) used += 1 + word.length
    else {
      if (used > 0) lines += 1
      lines += Math.ceil(word.length / most) - 1
      used = word.length % most || Math.min(word.length, most)
    }
  }
  return Math.max(1, lines)
}
