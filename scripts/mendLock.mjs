// Adds to the lock file the optional binaries of other platforms that the registry at hand left out: without them `npm ci` elsewhere
// fails with "Missing … from lock file".
import { readFileSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { root } from './setUp.mjs'

const file = path.join(root, 'package-lock.json')
const lock = JSON.parse(readFileSync(file, 'utf8'))
const platforms = ['darwin', 'linux', 'win32', 'android', 'freebsd', 'openbsd', 'netbsd', 'sunos', 'aix', 'openharmony']
const chips = ['x64', 'arm64', 'ia32', 'arm', 'ppc64', 'riscv64', 's390x', 'loong64', 'mips64el', 'wasm32']
let added = 0
for (const [place, entry] of Object.entries(lock.packages)) {
  for (const [name, version] of Object.entries(entry.optionalDependencies ?? {})) {
    const nested = `${place ? `${place}/` : ''}node_modules/${name}`
    const parents = place
      .split('/node_modules/')
      .map((_, i, parts) => `${parts.slice(0, i).join('/node_modules/')}${i ? '/' : ''}node_modules/${name}`)
    if (lock.packages[nested] || parents.some((at) => lock.packages[at]) || lock.packages[`node_modules/${name}`])
      continue
    const os = platforms.find((each) => name.includes(each))
    const cpu = chips.find((each) => name.includes(each))
    if (!os && !cpu) continue
    const at = lock.packages[`node_modules/${name}`] ? nested : `node_modules/${name}`
    lock.packages[at] = {
      version: String(version).replace(/^[\^~]/, ''),
      optional: true,
      ...(cpu ? { cpu: [cpu] } : {}),
      ...(os ? { os: [os] } : {}),
    }
    added++
  }
}
lock.packages = Object.fromEntries(Object.entries(lock.packages).sort(([a], [b]) => (a < b ? -1 : 1)))
writeFileSync(file, `${JSON.stringify(lock, null, 2)}\n`)
console.log(`${added} optional entries added`)
