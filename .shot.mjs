import { chromium } from '@playwright/test'
const [, , out, url, size = '1280x800', ...steps] = process.argv
const [width, height] = size.split('x').map(Number)
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] })
const page = await browser.newPage({ viewport: { width, height } })
page.on('pageerror', (e) => console.log('ERR', e.message))
page.on('console', (m) => m.type() === 'error' && console.log('CONSOLE', m.text().slice(0, 300)))
await page.goto('http://127.0.0.1:4310' + url)
await page.waitForTimeout(1200)
for (const step of steps) { await page.evaluate('0'); await (new (Object.getPrototypeOf(async function () {}).constructor)('page', step))(page) ; await page.waitForTimeout(400)}
await page.screenshot({ path: out })
console.log(await page.evaluate(() => [...document.querySelectorAll('main, .sum-result, .sum-form')].map(e => `${e.className} ${e.scrollHeight}/${e.clientHeight} ${e.scrollWidth}/${e.clientWidth}`).join(' | ')))
await browser.close()
