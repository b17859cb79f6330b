import { mkdir, mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brotliCompressSync, gzipSync } from 'node:zlib';
import type { Express } from 'express';
import request from 'supertest';
import { createApp } from './app';
import { openDatabase, type Database } from './storage/database';
import { appParts } from './testing/appParts';

let folder: string;
let database: Database;
let app: Express;
const script = `export const said = ${JSON.stringify('paint '.repeat(400))};`;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'fixatum-web-'));
  const web = join(folder, 'web');
  await mkdir(join(web, 'assets'), { recursive: true });
  await writeFile(join(web, 'index.html'), '<!doctype html><title>App</title>');
  await writeFile(join(web, 'assets/main-1a2b.js'), script);
  await writeFile(join(web, 'assets/main-1a2b.js.br'), brotliCompressSync(script));
  await writeFile(join(web, 'assets/main-1a2b.js.gz'), gzipSync(script));
  database = await openDatabase(folder);
  app = createApp({ ...appParts(database, folder), webFolder: web });
});
afterAll(async () => {
  await database.close();
  await rm(folder, { recursive: true, force: true });
});
const ask = (path: string, encoding: string) => request(app).get(path).set('accept-encoding', encoding);

describe('the files of the app', () => {
  it.each([
    ['br, gzip', 'br'],
    ['gzip', 'gzip'],
    ['identity', undefined],
  ])('to who takes %s go as %s, and are kept for ever', async (encoding, sent) => {
    const { headers, text } = await ask('/assets/main-1a2b.js', encoding).buffer(true).expect(200);
    expect(headers['content-encoding']).toBe(sent);
    expect(headers['cache-control']).toBe('public, max-age=31536000, immutable');
    expect(headers['content-type']).toContain('javascript');
    if (sent !== 'br') expect(text).toBe(script);
  });
  it('go with what guards a part, the page with what guards a page', async () => {
    const part = (await ask('/assets/main-1a2b.js', 'br')).headers;
    expect(part).toMatchObject({
      'content-security-policy': "default-src 'self'",
      'cross-origin-resource-policy': 'same-origin',
      'x-content-type-options': 'nosniff',
    });
    expect(part).not.toHaveProperty('referrer-policy');
    const page = (await ask('/', 'identity')).headers;
    expect(page['content-security-policy']).toMatch(/frame-ancestors 'self'.*img-src 'self' data: blob:/);
    expect(page).toMatchObject({ 'x-content-type-options': 'nosniff', 'referrer-policy': 'no-referrer' });
  });
  it('that are of another version are not there, and are no page', async () => {
    const { body, headers } = await ask('/assets/main-9z9z.js', 'br').expect(404);
    expect(body).toMatchObject({ status: 404, detail: 'There is no such file here. Load the page again.' });
    expect(headers['content-type']).toContain('problem+json');
  });
  it('any other address is the page, which is asked for each time', async () => {
    const { headers, text } = await ask('/b/1/bench', 'identity').expect(200);
    expect(text).toContain('<title>App</title>');
    expect(headers['cache-control']).toBe('no-cache');
  });
});
