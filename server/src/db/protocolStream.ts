import { Duplex } from 'node:stream'

/** Takes the bytes of one or more whole messages of PostgreSQL's protocol and answers with the engine's. */
type Exchange = (message: Uint8Array) => Promise<Uint8Array>

/** Says goodbye: `X` and its length. The engine in the same house would take it for its own end. */
const TERMINATE = 0x58

/**
 * What the driver takes for a socket: its messages go to an engine without a network between, whichever thread that runs on. So the
 * embedded engine and a server are spoken to by the same driver.
 */
export class ProtocolStream extends Duplex {
  constructor(
    private readonly exchange: Exchange,
    private readonly greet: () => Promise<void>,
  ) {
    super()
  }

  /** A connection that was let go in the middle of a transaction must not leave it to the next one. */
  connect() {
    this.greet().then(
      () => this.emit('connect'),
      (error: Error) => this.destroy(error),
    )
    return this
  }

  setNoDelay = () => this
  setKeepAlive = () => this
  ref = () => this
  unref = () => this

  override _read() {
    // Answers are pushed as they come.
  }

  override _write(chunk: Buffer, _encoding: string, done: (error?: Error) => void) {
    if (chunk[0] === TERMINATE && chunk.length === 5) {
      done()
      return
    }
    this.exchange(Uint8Array.from(chunk)).then((answer) => {
      if (answer.byteLength > 0) this.push(Buffer.from(answer.buffer, answer.byteOffset, answer.byteLength))
      done()
    }, done)
  }

  override _writev(chunks: readonly { readonly chunk: Buffer }[], done: (error?: Error) => void) {
    this._write(Buffer.concat(chunks.map(({ chunk }) => chunk)), '', done)
  }

  override _final(done: () => void) {
    this.push(null)
    done()
  }
}
