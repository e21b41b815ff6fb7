import { existsSync } from 'node:fs'
import { fileURLToPath, pathToFileURL } from 'node:url'
import { Worker } from 'node:worker_threads'

/** Starts a thread from the file of a name beside the caller: bundled it lies there as it is, from source a loader reads it. */
export function startWorker(beside: string, name: string, data: unknown): Worker {
  const bundled = fileURLToPath(new URL(`./${name}.js`, beside))
  if (existsSync(bundled)) return new Worker(bundled, { workerData: data })
  const source = pathToFileURL(fileURLToPath(new URL(`./${name}.ts`, beside))).href
  const load = `import('tsx/esm/api').then(({ register }) => { register(); return import(${JSON.stringify(source)}) })`
  // Flags of the program that started it do not all suit a thread.
  return new Worker(load, { eval: true, workerData: data, execArgv: [], env: { ...process.env, NODE_OPTIONS: '' } })
}
