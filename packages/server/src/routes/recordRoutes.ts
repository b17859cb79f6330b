import { Router } from 'express';
import { z } from 'zod';
import { queryOf } from '../http/bodies';
import type { Records } from '../services/records';

const asked = z.object({ q: z.string().max(300, 'at most 300 letters').default('') });

/** `/records`: what was done, when, with what, in all builds that are here. */
export function recordRoutes(records: Records): Router {
  const router = Router();
  router.get('/records', async (request, response) => {
    const { q } = queryOf(request, asked);
    response.json({ found: await records.search(q) });
  });
  return router;
}
