import { describe, expect, it } from 'vitest';
import { contentPolicy, newNonce, refused } from './door';
import { namesOf } from './serve';

const names = namesOf({ host: '127.0.0.1', names: ['pits.yard.test'] });
type Asked = Parameters<typeof refused>[0];
const asked = (method: string, url: string, headers: Asked['headers']): Asked => ({ method, url, headers });
const get = (url: string, host = '127.0.0.1:4310') => refused(asked('GET', url, { host }), names)?.status ?? null;
const put = (headers: Asked['headers']) =>
  refused(
    asked('PUT', '/api/stations/1', { host: '127.0.0.1:4310', 'content-type': 'application/json', ...headers }),
    names,
  )?.status ?? null;

describe('the door', () => {
  it.each([
    ['127.0.0.1:4310', null],
    ['localhost:4310', null],
    ['LOCALHOST', null],
    ['[::1]:4310', null],
    ['pits.yard.test:4310', null],
    // A name of somebody else that was rebound to this machine reads nothing.
    ['rebound.evil.test:4310', 421],
    ['127.0.0.1.evil.test', 421],
    ['localhost.evil.test', 421],
    ['', 421],
  ])('a request to the host “%s” is answered %s', (host, status) =>
    expect(get('/api/stations/1/file', host)).toBe(status),
  );

  it('listening on every address, it answers to the addresses of this machine and to no other name', () => {
    const wide = namesOf({ host: '0.0.0.0', names: [] });
    expect([...wide]).toEqual(expect.arrayContaining(['127.0.0.1', 'localhost', '[::1]']));
    expect(refused(asked('GET', '/', { host: 'evil.test' }), wide)?.status).toBe(421);
  });

  it.each([
    ['/', null],
    ['/stations/1/levels?rule=gap', null],
    ['/stations/%31', null],
    ['/%', 404],
    ['/%ff', 404],
    ['/stations/%E0%A4%A', 404],
    ['/stations/%00', 404],
    ['/?q=%', null],
    ['*', 404],
    ['http://elsewhere/', 404],
  ])('the address %s is answered %s', (url, status) => expect(get(url)).toBe(status));

  it('what was forwarded is let in only where people sign in: who stands before the proxy may be anybody', () => {
    for (const name of ['x-forwarded-for', 'forwarded']) {
      const request = asked('GET', '/', { host: 'localhost', [name]: '203.0.113.5' });
      expect([name, refused(request, names)?.status, refused(request, names, true)]).toEqual([name, 403, null]);
    }
  });

  it.each([
    ['OPTIONS', '*', 204],
    ['OPTIONS', '/', 204],
    ['TRACE', '/', 405],
    ['DELETE', '/api/stations/1', 405],
    ['PATCH', '/api/stations/1', 405],
    ['HEAD', '/', null],
  ])('%s %s is answered %s', (method, url, status) =>
    expect(refused(asked(method, url, { host: 'localhost' }), names)?.status ?? null).toBe(status),
  );

  it.each<[string, Asked['headers'], number | null]>([
    ['from its own page', { origin: 'http://127.0.0.1:4310', 'sec-fetch-site': 'same-origin' }, null],
    ['from no browser', {}, null],
    ['from a foreign page', { origin: 'http://evil.test', 'sec-fetch-site': 'cross-site' }, 403],
    // A browser says nothing of the site to a plain name; it says the origin always.
    ['from a foreign page that names no site', { origin: 'http://evil.test' }, 403],
    ['from a page without an origin of its own', { origin: 'null' }, 403],
    ['from another port of this machine', { origin: 'http://127.0.0.1:9999' }, 403],
    ['from a site that hides its origin', { 'sec-fetch-site': 'cross-site' }, 403],
    ['as a form sends it', { origin: 'http://127.0.0.1:4310', 'content-type': 'text/plain' }, 415],
    ['as JSON in name only', { 'content-type': 'application/jsonp' }, 415],
    ['as JSON with its letters named', { 'content-type': 'application/json; charset=utf-8' }, null],
  ])('a change %s is answered %s', (_, headers, status) => expect(put(headers)).toBe(status));

  it('a page’s scripts are known by a word that is new each time, and nobody frames it', () => {
    const [a, b] = [newNonce(), newNonce()];
    expect(a).not.toBe(b);
    expect(Buffer.from(a, 'base64')).toHaveLength(16);
    const policy = contentPolicy(a);
    expect(policy).toContain(`'nonce-${a}'`);
    expect(policy).toContain("frame-ancestors 'none'");
    expect(/script-src [^;]*unsafe/.test(policy)).toBe(false);
  });
});
