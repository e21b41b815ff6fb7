// Builds the pages with Vite and bundles server and command line with esbuild; packages stay outside the bundle.
import path from 'node:path'
import { build as bundle } from 'esbuild'
import { build as buildPages } from 'vite'
import { root } from './setUp.mjs'

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

await Promise.all([
  buildPages({ configFile: path.join(root, 'web/vite.config.ts'), logLevel: 'warn' }),
  ...[
    ['server/src/main.ts', 'server/dist/main.js'],
    ['server/src/program.ts', 'server/dist/program.js'],
    ['server/src/restore.ts', 'server/dist/restore.js'],
    // Threads are started from files that lie beside the program.
    ['server/src/db/embeddedWorker.ts', 'server/dist/embeddedWorker.js'],
    ['server/src/sheets/sheetWorker.ts', 'server/dist/sheetWorker.js'],
    ['cli/src/main.ts', 'cli/dist/main.js'],
  ].map(([entry, outfile]) =>
    bundle({
      entryPoints: [path.join(root, entry)],
      outfile: path.join(root, outfile),
      bundle: true,
      platform: 'node',
      format: 'esm',
      target: 'node20',
      packages: 'external',
      external: ['./program.js'],
      plugins: [workspaces],
      sourcemap: true,
      logLevel: 'warning',
    }),
  ),
])
