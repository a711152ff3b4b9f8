import { launch, laptop, visit } from './visit.ts';
import { demoPractice } from '@lean-mentor/demo';
const base = process.env['LEAN_E2E_URL']!;
const p = demoPractice(new Date());
const sent = p.requests.find((r) => r.critique)!;
const b = await launch();
const m = await visit(b, base, 'marit', `/clients/${sent.clientId}`, laptop);
for (let i = 0; i < 120; i++) { const ok = await m.page.evaluate(async () => { const { requests } = (await (await fetch('/api/requests')).json()); return requests.every((r: any) => r.footages.every((f: any) => f.state === 'ready' || f.state === 'removed')); }); if (ok) break; await new Promise((r) => setTimeout(r, 1000)); }
await m.page.goto(base + `/clients/${sent.clientId}/compare`, { waitUntil: 'networkidle2' });
await new Promise((r) => setTimeout(r, 1000));
await m.page.screenshot({ path: '/tmp/w/shots/c2.png', fullPage: true });
await b.close();
