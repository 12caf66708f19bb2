import { chromium } from 'playwright-core';
const b = await chromium.launch({ executablePath:'/usr/bin/chromium', args:['--no-sandbox','--disable-gpu','--disable-quic','--no-first-run'] });
const p = await b.newPage({ viewport:{width:1280,height:800} });
p.setDefaultTimeout(8000);
p.on('console', m => ['error','warning'].includes(m.type()) && console.log('console', m.text().slice(0,300)));
p.on('pageerror', e => console.log('pageerror', e.message.slice(0,300)));
await p.goto('http://127.0.0.1:4191/door');
await p.getByRole('button',{name:/^Wren/}).click();
await p.waitForURL(u=>!u.pathname.startsWith('/door'));
await p.goto('http://127.0.0.1:4191/plan/2026-12-05?place=Ferry%20Green%20Saturday%20market');
await p.getByText('When, who and with what').click();
await p.waitForTimeout(4000);
const client = await p.context().newCDPSession(p);
await client.send('Profiler.enable'); await client.send('Profiler.setSamplingInterval',{interval:1000}); await client.send('Profiler.start');
const hour = p.getByRole('group',{name:'Nobody begins before', exact:true}).locator('[data-segment="hour"]');
console.log(await hour.innerText());
await hour.focus();
const t=Date.now();
await hour.press('Backspace').catch(e=>console.log('press', e.message.slice(0,100)));
console.log('ms', Date.now()-t);
await p.waitForTimeout(1500).catch(()=>{});
try {
const stop = await Promise.race([client.send('Profiler.stop'), new Promise((_,r)=>setTimeout(()=>r(new Error('hang')),8000))]);
const self={}; const prof=stop.profile; const byId=new Map(prof.nodes.map(n=>[n.id,n])); for (const id of prof.samples){const n=byId.get(id); const k=n.callFrame.functionName+' '+n.callFrame.url.split('/').pop()+':'+n.callFrame.lineNumber; self[k]=(self[k]??0)+1;}
console.log(Object.entries(self).sort((a,b)=>b[1]-a[1]).slice(0,25));
} catch(e){console.log(e.message)}
console.log(await Promise.race([hour.innerText(), new Promise(r=>setTimeout(()=>r('hung'),5000))]));
process.exit(0);
