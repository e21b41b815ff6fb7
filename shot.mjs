import { chromium } from '@playwright/test'
const [,, size, theme, ...pairs] = process.argv
const [w,h] = size.split('x').map(Number)
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox','--disable-gpu'] })
const page = await browser.newPage({ viewport: { width: w, height: h } })
page.on('pageerror', e => console.log('ERR', e.message)); page.on('console', m => { if (m.type()==='error') console.log('CON', m.text()) })
await page.addInitScript((t) => localStorage.setItem('nachtigal.view', JSON.stringify({ by: 'Ilse Farn', theme: t })), theme)
const jobs = await (await fetch('http://localhost:4310/api/jobs')).json()
const ids = {}
for (const j of jobs) { const s = await (await fetch(`http://localhost:4310/api/jobs/${j.id}`)).json(); const p = j.name.includes('found') ? 'F' : 'P'; ids[p]=j.id; for (const l of Object.values(s.loops)) ids[p+l.kind]=`/jobs/${j.id}/loops/${l.id}` }
for (const pair of pairs) {
  const [name, where, ...acts] = pair.split('::')
  const url = where.replace(/^([PF])([\w-]+)?/, (m,p,k)=> k ? ids[p+k] : `/jobs/${ids[p]}`)
  await page.goto('http://localhost:4310'+url); await page.waitForTimeout(900)
  for (const a of acts) { await page.locator(a).first().click(); await page.waitForTimeout(500) }
  await page.screenshot({ path: `/tmp/shots/${name}.png` })
}
await browser.close()
