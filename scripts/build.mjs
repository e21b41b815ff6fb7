// Builds the pages with Vite and bundles server and command line with esbuild; packages stay outside the bundle.
import { rmSync } from 'node:fs'
import path from 'node:path'
import { build as bundle } from 'esbuild'
import { build as buildPages } from 'vite'
import { root } from './setUp.mjs'

// Whoever asks for a build, a test among them, is to get the pages as they are served.
process.env['NODE_ENV'] = 'production'

const source = (name) => path.join(root, name, 'src')
const workspaces = {
  name: 'workspaces',
  setup(build) {
    build.onResolve({ filter: /^@nachtigal\/(core|contract)\// }, ({ path: wanted }) => {
      const [, workspace, rest] = /^@nachtigal\/(core|contract)\/(.*)$/.exec(wanted)
      return { path: path.join(source(workspace), `${rest}.ts`) }
    })
  },
}

/** Packages that read files which lie beside them, start threads of their own, or are only there on some machines; all others are read faster as one file. */
const apart = ['@electric-sql/pglite', 'elkjs', 'fs-native-extensions', 'pdfmake', 'pg-native', 'pino']

/** Programs of one folder share what they have in common: whatever is one thing in the source is one thing when it runs. */
const programs = (folder, entries) => {
  const outdir = path.join(root, folder, 'dist')
  rmSync(outdir, { recursive: true, force: true })
  return bundle({
    entryPoints: entries.map((entry) => path.join(source(folder), entry)),
    outdir,
    entryNames: '[name]',
    splitting: true,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    external: apart,
    // What was written for require finds it.
    banner: {
      js: "import { createRequire } from 'node:module'; const require = createRequire(import.meta.url);",
    },
    plugins: [workspaces],
    sourcemap: true,
    logLevel: 'warning',
  })
}

await Promise.all([
  buildPages({ configFile: path.join(root, 'web/vite.config.ts'), logLevel: 'warn' }),
  // Threads are started from files that lie beside the program.
  programs('server', ['main.ts', 'program.ts', 'restore.ts', 'db/embeddedWorker.ts', 'sheets/sheetWorker.ts']),
  programs('cli', ['main.ts']),
])
