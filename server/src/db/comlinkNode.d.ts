declare module 'comlink/dist/esm/node-adapter.mjs' {
  import type { Endpoint } from 'comlink'
  /** A worker, or its port on the other side, as comlink's end of the line. */
  export default function nodeEndpoint(worker: unknown): Endpoint
}
