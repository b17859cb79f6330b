import express, { type Express } from 'express';
import helmet from 'helmet';
import { hostGuard, isFromHere } from './http/guard';
import { mendingPage, type Trouble } from './http/mendingPage';
import { answerProblem, Problem } from './http/problem';
import type { Backups } from './services/backups';

interface Parts {
  backups: Backups;
  /** Puts the newest whole backup back and opens it. */
  mend: () => Promise<void>;
  trouble: Trouble;
  /** Opens the folder as one that never held anything; where that is offered. */
  begin: () => Promise<void>;
  allowedHosts: readonly string[];
}

/** What the server is while the file with the data can't be opened or is gone: one page, and a press, at this computer only. */
export function mendingApp({ backups, mend, trouble, begin, allowedHosts }: Parts): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(
    helmet({
      strictTransportSecurity: false,
      contentSecurityPolicy: { directives: { 'upgrade-insecure-requests': null } },
    }),
  );
  app.use(hostGuard(allowedHosts));
  app.use((request, _response, next) => {
    if (!isFromHere(request) || request.path.startsWith('/api/'))
      throw new Problem(
        'damaged',
        'The file with the data is damaged or gone. The computer itself shows the way back.',
      );
    next();
  });
  app.post('/mend', async (_request, response) => {
    await mend();
    response.redirect(303, '/');
  });
  if (trouble === 'gone')
    app.post('/begin', async (_request, response) => {
      await begin();
      response.redirect(303, '/');
    });
  app.use(async (_request, response) => {
    response
      .status(503)
      .set({ 'cache-control': 'no-store', 'referrer-policy': 'same-origin' })
      .type('html')
      .send(mendingPage(trouble, await backups.newestWhole()));
  });
  app.use(answerProblem(undefined));
  return app;
}
