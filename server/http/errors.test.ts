import { errorTable, wireError } from '@lean-mentor/contract';
import { describe, expect, it, vi } from 'vitest';
import { bringRequest, clientA } from '../testing/people.ts';
import { peopledHouse } from '../testing/peopledHouse.ts';

const { house, coach, client } = peopledHouse('coach', 'client');

describe('what went wrong', () => {
  it('is answered with a code of the table, its status and words', async () => {
    const answer = await coach.ask('get', `/api/requests/${house.newId()}/desk`);
    expect(answer.status).toBe(errorTable['not-found'].status);
    expect(wireError.parse(answer.body)).toEqual({ code: 'not-found', message: errorTable['not-found'].words });
  });

  it('names every field that is not valid, and why', async () => {
    const draft = (await client.ask('post', '/api/drafts', { clientId: clientA })).body.id as string;
    const { status, body } = await client.ask('post', `/api/requests/${draft}/footages`, { fileName: ' ', byteSize: 0 });
    expect(status).toBe(400);
    expect(body.fields).toEqual([
      { field: 'fileName', why: 'Write something here.' },
      { field: 'byteSize', why: 'The file is empty. Choose the video itself.' },
    ]);
    expect(body.message).toMatch(/^fileName: /);
  });

  it('says that there is nothing, and which part of the address is wrong, when an id in it is none', async () => {
    const { status, body } = await coach.ask('get', '/api/requests/not-an-id/desk');
    expect([status, body.fields[0].field]).toEqual([404, 'requestId']);
    expect(body.message).toBe('There is nothing here under that name.');
  });

  it('says so when the body is not JSON or too large', async () => {
    const broken = await coach.ask('post', '/api/session').set('content-type', 'application/json').send('{"email": ');
    expect([broken.status, broken.body.message]).toEqual([400, 'What was sent is not JSON.']);
    const large = await coach.ask('post', '/api/session', { email: 'x'.repeat(5_000_000) });
    expect([large.status, large.body.code]).toEqual([413, 'too-large']);
  });

  it('is a JSON answer for an unknown address of the API, and the app’s page elsewhere', async () => {
    expect((await coach.ask('get', '/api/nothing/here')).body.code).toBe('not-found');
    const asset = await coach.ask('get', '/assets/gone-1234.js');
    expect([asset.status, asset.body.code]).toEqual([404, 'not-found']);
  });

  it('shows a reference number for an unknown failure, which is in the log with the fault and without personal data', async () => {
    const fault = vi.spyOn(house.db.letters, 'findAll').mockRejectedValueOnce(new Error('the disk is on fire'));
    const { status, body } = await coach.ask('get', '/api/letters?of=coach@test.example');
    fault.mockRestore();
    expect([status, body.code]).toEqual([500, 'unknown']);
    expect(body.message).not.toContain('disk');
    const line = house.logged.find((l) => l.includes(body.reference as string)) ?? '';
    expect(line).toContain('the disk is on fire');
    for (const personal of ['coach@test.example', 'Cora', '127.0.0.1', 'lean.sid']) expect(house.logged.join('\n')).not.toContain(personal);
  });
});

describe('every answer', () => {
  it('forbids foreign and inline scripts, framing and guessing of types', async () => {
    const { headers } = await coach.ask('get', '/api/health');
    const policy = headers['content-security-policy'] as string;
    expect(policy).toContain("default-src 'none'");
    expect(policy).toContain("script-src 'self';");
    expect(policy).toContain("frame-ancestors 'none'");
    expect(headers['x-content-type-options']).toBe('nosniff');
    expect(headers['x-powered-by']).toBeUndefined();
    expect(headers['cache-control']).toBe('no-store');
  });

  it('carries only what the contract names', async () => {
    await bringRequest(house, clientA);
    const { body } = await client.ask('get', '/api/requests');
    expect(Object.keys(body.requests[0].footages[0])).not.toContain('uploadId');
  });
});
