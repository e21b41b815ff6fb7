import TokenType from '@streamparser/json/utils/types/tokenType.js'
import { DOCUMENT_BOUNDS, MOST_WIDE } from '@nachtigal/contract/bounds'
import { AppError } from '../appError'

/**
 * Counts what a part of a file holds while it is parsed, so that one that holds far too much is never built up: to list the keys of an object
 * of some hundred thousand alone takes longer than others should wait.
 */
export class PartBounds {
  /** Keys of the objects that are open just now, the outermost first. */
  private readonly open: number[] = []
  private values = 0

  take(token: TokenType): void {
    switch (token) {
      case TokenType.LEFT_BRACE:
      case TokenType.LEFT_BRACKET:
        this.open.push(0)
        return
      case TokenType.RIGHT_BRACE:
      case TokenType.RIGHT_BRACKET:
        this.open.pop()
        return
      case TokenType.COLON: {
        const keys = (this.open[this.open.length - 1] ?? 0) + 1
        this.open[this.open.length - 1] = keys
        if (keys > MOST_WIDE)
          throw new AppError('FILE_REFUSED', `this file holds an object with more than ${MOST_WIDE} keys`, {
            field: '',
          })
        this.count()
        return
      }
      case TokenType.COMMA:
        this.count()
    }
  }

  private count() {
    this.values++
    // A key is followed by a comma: one value may count twice.
    if (this.values > 2 * DOCUMENT_BOUNDS.keys)
      throw new AppError('FILE_REFUSED', `a part of this file holds more than ${DOCUMENT_BOUNDS.keys} values`, {
        field: '',
      })
  }

  /** A part is whole: the next begins. */
  next(): void {
    this.values = 0
  }
}
