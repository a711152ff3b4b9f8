import { launch, laptop, phone, visit } from './visit.ts';
import { demoPractice } from '@lean-mentor/demo';
const base = process.env['LEAN_E2E_URL']!;
const p = demoPractice(new Date());
const sent = p.requests.find((r) => r.critique)!;
const b = await launch();
const v = await visit(b, base, 'bram', '/mine', phone);
for (let i = 0; i < 90; i++) { const ok = await v.page.evaluate(async () => { const { requests } = (await (await fetch('/api/requests')).json()); return requests.every((r: any) => r.footages.every((f: any) => f.state === 'ready' || f.state === 'removed')); }); if (ok) break; await new Promise((r) => setTimeout(r, 1000)); }
await v.page.goto(base + `/progress`, { waitUntil: 'networkidle2' });
await new Promise((r) => setTimeout(r, 2500));
await v.page.screenshot({ path: '/tmp/w/shots/c1.png', fullPage: true });
const m = await visit(b, base, 'marit', `/clients/${sent.clientId}`, laptop);
await new Promise((r) => setTimeout(r, 2000));
await m.page.screenshot({ path: '/tmp/w/shots/c2.png', fullPage: true });
await b.close();
