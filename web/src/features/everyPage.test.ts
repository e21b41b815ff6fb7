import { readdirSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { expect, it } from '@jest/globals'

const here = fileURLToPath(new URL('.', import.meta.url))
const pages = readdirSync(here, { withFileTypes: true }).filter((entry) => entry.isDirectory())

it.each(pages.map(({ name }) => [name]))('the logic of %s is tested without a browser', (page) => {
  const tests = readdirSync(`${here}/${page}`).filter((name) => /\.test\.tsx?$/.test(name))
  expect(tests.length).toBeGreaterThan(0)
})
