import { TextDecoder, TextEncoder } from 'node:util'

// What every browser has and the page of the tests lacks.
Object.assign(globalThis, { TextEncoder, TextDecoder })
