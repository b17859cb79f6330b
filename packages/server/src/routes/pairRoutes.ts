import { parse } from 'cookie';
import express, { type Router } from 'express';
import { RateLimiterMemory } from 'rate-limiter-flexible';
import { z } from 'zod';
import { pairingPage, waitingPage } from '../http/pairingPage';
import type { Devices } from '../services/devices';
import { DEVICE_COOKIE, guardedRoutes } from './admit';

/** One address may guess so often in so many seconds. */
const GUESSES = { points: 5, duration: 300 };
const A_YEAR_MS = 365 * 86_400_000;

// A form says where it comes from only where it may say so; without that it would look like one from elsewhere.
const alone = { 'cache-control': 'no-store', 'referrer-policy': 'same-origin' };

const formSchema = z.object({
  code: z
    .string()
    .trim()
    .regex(/^\d{6}$/),
  name: z.string().trim().min(1).max(40),
});

/** `/pair`: the page on which a device says the code, what takes it, and the page on which it waits to be let in. */
export function pairRoutes(devices: Devices): Router {
  const routes = guardedRoutes();
  const limiter = new RateLimiterMemory(GUESSES);

  routes.get('anyone', '/pair', (request, response) => {
    const code = z
      .string()
      .regex(/^\d{6}$/)
      .safeParse(request.query.code).data;
    response
      .set(alone)
      .type('html')
      .send(pairingPage(code === undefined ? {} : { code }));
  });

  routes.post(
    'anyone',
    '/pair',
    express.urlencoded({ extended: false, limit: '4kb' }),
    async (request, response) => {
      const again = (status: number, trouble: string) => {
        const name =
          z
            .string()
            .max(40)
            .safeParse((request.body as { name?: unknown } | undefined)?.name).data ?? '';
        response.status(status).set(alone).type('html').send(pairingPage({ name, trouble }));
      };
      const form = formSchema.safeParse(request.body ?? {});
      if (!form.success) return again(422, 'Type the six figures, and a name for this device.');
      const from = request.socket.remoteAddress ?? '';
      const mayGuess = await limiter.consume(from).then(
        () => true,
        () => false,
      );
      if (!mayGuess)
        return again(
          429,
          'That were too many tries. Wait five minutes, then show a new code on the computer.',
        );
      const asked = devices.ask(form.data.code, form.data.name);
      if (!asked)
        return again(
          403,
          'Those figures are not the ones on the screen, or they are too old. Show new ones on the computer.',
        );
      await limiter.delete(from);
      response
        .cookie(DEVICE_COOKIE, asked.token, {
          httpOnly: true,
          sameSite: 'strict',
          path: '/',
          maxAge: A_YEAR_MS,
        })
        .redirect(303, '/pair/wait');
    },
  );

  routes.get('anyone', '/pair/wait', async (request, response) => {
    const token = parse(request.headers.cookie ?? '')[DEVICE_COOKIE] ?? '';
    if (await devices.carrying(token)) return response.redirect(303, '/');
    response.set(alone).type('html');
    if (devices.isAsking(token)) response.set('refresh', '2').send(waitingPage());
    else
      response
        .status(410)
        .send(pairingPage({ trouble: 'This device was not let in. Ask for new figures at the computer.' }));
  });

  return routes.router;
}
