import { chromium as launcher } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import knex from 'knex';
import { randomUUID } from 'node:crypto';
import { hash } from '@node-rs/argon2';
import { ownCertificate } from '../scripts/certificate.mjs';
import { chromium } from '../scripts/setup.mjs';
import { App, expect, test } from './app';

const PASSPHRASE = 'seven grey herons';

test('over TLS with the authority trusted in the browser’s own store: the welcome page says so, and the bench opens with the server gone', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'spare-acre-trusted-'));
  const { cert, key, authority } = await ownCertificate(join(folder, 'tls'));
  const store = join(folder, '.pki', 'nssdb');
  mkdirSync(store, { recursive: true });
  const admin = knex({ client: 'pg', connection: process.env['TEST_DATABASE_URL']! });
  const name = `trusted_${randomUUID().replaceAll('-', '')}`;
  await admin.raw(`create database ${name}`);
  const url = process.env['TEST_DATABASE_URL']!.replace(/[^/]*$/, name);
  const settings = { TLS_CERT: cert, TLS_KEY: key, TLS_AUTHORITY: authority };
  // On this machine alone first: it prepares the database, which takes a passphrase before it is opened further.
  const first = new App(url);
  await first.start();
  await first.kill();
  const db = knex({ client: 'pg', connection: url });
  await db('passphrase').insert({ id: 1, hash: await hash(PASSPHRASE) });
  await db.destroy();
  const app = new App(url, '127.0.0.1', { ...settings, LISTEN: '0.0.0.0' });
  await app.start();
  const open = (): ReturnType<typeof launcher.launchPersistentContext> =>
    launcher.launchPersistentContext(join(folder, `profile-${randomUUID()}`), {
      executablePath: chromium(),
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
      env: { ...process.env, HOME: folder },
      viewport: { width: 390, height: 844 },
      reducedMotion: 'reduce',
    });
  try {
    // Not trusted yet: the page that shows the steps says so.
    const before = await open();
    const stranger = await before.newPage();
    await stranger.goto(app.welcomeUrl);
    await expect(stranger.getByRole('status')).toContainText('does not trust the server yet');
    await expect(stranger.getByRole('link', { name: 'Download the certificate' })).toBeVisible();
    await before.close();

    writeFileSync(join(folder, 'no-password'), '\n');
    execFileSync('certutil', ['-d', `sql:${store}`, '-N', '-f', join(folder, 'no-password')], { stdio: 'ignore' });
    execFileSync(
      'certutil',
      ['-d', `sql:${store}`, '-A', '-t', 'C,,', '-n', 'Spare Acre', '-i', authority, '-f', join(folder, 'no-password')],
      { stdio: 'ignore' },
    );
    const context = await open();
    const page = await context.newPage();
    await page.goto(app.welcomeUrl);
    await expect(page.getByRole('status')).toContainText('This device trusts the server');
    await page.goto(app.url);
    const dialog = page.getByRole('dialog', { name: 'Sign in' });
    await dialog.getByLabel('Your name').fill('Ida');
    await dialog.getByLabel('Passphrase').fill(PASSPHRASE);
    await dialog.getByRole('button', { name: 'Sign in' }).click();
    await page.getByRole('link', { name: /Brinefold/ }).click();
    await page.getByRole('link', { name: 'Bench' }).click();
    await expect(page.getByTestId('offline')).toContainText('also opens on this device without a network', { timeout: 60_000 });
    const address = page.url();
    await page.close();
    await app.kill();
    const again = await context.newPage();
    await again.goto(address);
    await expect(again.getByTestId('move')).toBeVisible({ timeout: 40_000 });
    await again.getByTestId('move').getByRole('button', { name: 'Done', exact: true }).click();
    await expect(again.getByTestId('queue')).toContainText('1 entry waits on this device');
    await app.start();
    await expect(again.getByTestId('queue')).toHaveText('All synced', { timeout: 60_000 });
    await context.close();
  } finally {
    await app.kill();
    await admin.raw(`drop database ${name} with (force)`);
    await admin.destroy();
    rmSync(folder, { recursive: true, force: true });
  }
});
