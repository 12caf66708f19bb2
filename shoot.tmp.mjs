import { chromium } from '@playwright/test';
const [,, out, ...pairs] = process.argv;
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox','--disable-gpu','--disable-quic','--no-first-run'] });
for (const p of pairs) { const [name, path, w='1280', h='800', act=''] = p.split('|');
 const c = await b.newContext({ viewport: { width: +w, height: +h } }); const page = await c.newPage();
 await page.goto('http://127.0.0.1:4191' + path); await page.waitForTimeout(900);
 if (act) { await eval(`(async()=>{${act}})()`); await page.waitForTimeout(600); }
 await page.screenshot({ path: `${out}/${name}.png`, fullPage: h==='0' }); await c.close(); }
await b.close();
