import {
  keepLaid,
  pieceSchema,
  stepSchema,
  withoutDangling,
  type Build,
  type Piece,
  type Step,
} from '@fixatum/core';
import type { Request, Response, Router } from 'express';
import { z } from 'zod';
import { pieceEtag, type BuildStore } from '../services/buildStore';
import type { StoredBuild } from '../services/buildRows';
import type { Clock } from '../services/clock';
import { bodyOf, ifMatch, param, readJson } from '../http/bodies';
import { noteMaker } from './noted';
import { buildSender } from './sendBuild';
import { notFound, Problem } from '../http/problem';
import { guardedRoutes } from './admit';

interface Parts {
  store: BuildStore;
  clock: Clock;
}

/** Where in its list something goes; at its end where nothing is said. */
const at = z.number().int().min(0).optional();
const placedPiece = z.object({ piece: pieceSchema, at });
const placedStep = z.object({ step: stepSchema, at });

function pieceIn(build: Build, id: string): Piece {
  const piece = build.pieces.find((candidate) => candidate.id === id);
  if (!piece) throw notFound('piece');
  return piece;
}

function stepIn(piece: Piece, id: string): Step {
  const step = piece.steps.find((candidate) => candidate.id === id);
  if (!step) throw notFound('step');
  return step;
}

/**
 * A build with a changed piece: what is logged of it stays, and nothing points at what is gone.
 * @throws Problem where something is logged on one that would be no more
 */
function withPiece(build: Build, piece: Piece): Build {
  const begun = [...(build.log ?? []), ...(build.underway ?? [])]
    .filter((pass) => pass.piece === piece.id)
    .map(({ unit }) => unit);
  const last = Math.max(0, ...begun);
  if (last > piece.quantity)
    throw new Problem(
      'unusable',
      `There is work logged on number ${last} of ${piece.name}. Make it at least ${last}, or take those entries out of the journal first.`,
    );
  return withoutDangling(
    keepLaid(build, {
      ...build,
      pieces: build.pieces.map((old) => (old.id === piece.id ? piece : old)),
    }),
    build,
  );
}

/** `/builds/:id/pieces` and their steps: read, add, change, delete; each change can be tied to the version seen. */
export function pieceRoutes({ store, clock }: Parts): Router {
  const routes = guardedRoutes();
  const sendBuild = buildSender(store);
  const noted = noteMaker(clock);
  const sendPiece = (response: Response, stored: StoredBuild, pieceId: string) =>
    response.set('etag', pieceEtag(stored, pieceId)).json(pieceIn(stored.build, pieceId));

  routes.get('helper', '/builds/:id/pieces', async (request, response) => {
    response.json({ pieces: (await store.load(param(request, 'id'))).build.pieces });
  });

  routes.get('helper', '/builds/:id/pieces/:piece', async (request, response) => {
    sendPiece(response, await store.load(param(request, 'id')), param(request, 'piece'));
  });

  routes.post('finisher', '/builds/:id/pieces', readJson, async (request, response) => {
    const { piece, at } = bodyOf(request, placedPiece);
    const stored = await store.change(
      param(request, 'id'),
      { etag: ifMatch(request) },
      noted(request, `Add ${piece.name}`),
      (build) => {
        const pieces = [...build.pieces];
        pieces.splice(at ?? pieces.length, 0, piece);
        return { ...build, pieces };
      },
    );
    sendBuild(response, stored, 201);
  });

  routes.put('finisher', '/builds/:id/pieces/:piece', readJson, async (request, response) => {
    const piece = bodyOf(request, pieceSchema);
    const pieceId = param(request, 'piece');
    if (piece.id !== pieceId) throw new Problem('unusable', 'A piece keeps its id.');
    const stored = await store.change(
      param(request, 'id'),
      { etag: ifMatch(request), pieceId },
      noted(request, `Change ${piece.name}`),
      (build) => {
        pieceIn(build, pieceId);
        return withPiece(build, piece);
      },
    );
    sendBuild(response, stored);
  });

  routes.delete('finisher', '/builds/:id/pieces/:piece', async (request, response) => {
    const pieceId = param(request, 'piece');
    const stored = await store.change(
      param(request, 'id'),
      { etag: ifMatch(request), pieceId },
      noted(request, (build) => `Delete ${pieceIn(build, pieceId).name}`),
      (build) => {
        const { id } = pieceIn(build, pieceId);
        return withoutDangling({ ...build, pieces: build.pieces.filter((piece) => piece.id !== id) }, build);
      },
    );
    sendBuild(response, stored);
  });

  const editSteps = (request: Request, label: string, edit: (steps: Step[], piece: Piece) => Step[]) => {
    const pieceId = param(request, 'piece');
    const expectation = { etag: ifMatch(request), pieceId };
    return store.change(param(request, 'id'), expectation, noted(request, label), (build) => {
      const piece = pieceIn(build, pieceId);
      return withPiece(build, { ...piece, steps: edit(piece.steps, piece) });
    });
  };

  routes.get('helper', '/builds/:id/pieces/:piece/steps/:step', async (request, response) => {
    const stored = await store.load(param(request, 'id'));
    const piece = pieceIn(stored.build, param(request, 'piece'));
    response.set('etag', pieceEtag(stored, piece.id)).json(stepIn(piece, param(request, 'step')));
  });

  routes.post('finisher', '/builds/:id/pieces/:piece/steps', readJson, async (request, response) => {
    const { step, at } = bodyOf(request, placedStep);
    const stored = await editSteps(request, 'Add a step', (steps) => {
      const next = [...steps];
      next.splice(at ?? next.length, 0, step);
      return next;
    });
    sendBuild(response, stored, 201);
  });

  routes.put('finisher', '/builds/:id/pieces/:piece/steps/:step', readJson, async (request, response) => {
    const step = bodyOf(request, stepSchema);
    const stepId = param(request, 'step');
    if (step.id !== stepId) throw new Problem('unusable', 'A step keeps its id.');
    const stored = await editSteps(request, 'Change a step', (steps, piece) => {
      stepIn(piece, stepId);
      return steps.map((old) => (old.id === stepId ? step : old));
    });
    sendBuild(response, stored);
  });

  routes.delete('finisher', '/builds/:id/pieces/:piece/steps/:step', async (request, response) => {
    const stepId = param(request, 'step');
    const stored = await editSteps(request, 'Delete a step', (steps, piece) => {
      stepIn(piece, stepId);
      return steps.filter((step) => step.id !== stepId);
    });
    sendBuild(response, stored);
  });

  return routes.router;
}
