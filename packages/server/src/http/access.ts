import { Router, type NextFunction, type Request, type RequestHandler, type Response } from 'express';
import { Problem } from './problem';

/**
 * Who may call a route, from the widest to the narrowest: anyone, also who was never paired; a helper, and so every paired device; a
 * finisher; somebody at the computer itself.
 */
export const accesses = ['anyone', 'helper', 'finisher', 'computer'] as const;
export type Access = (typeof accesses)[number];
/** What a caller reaches. */
export type Reach = Exclude<Access, 'anyone'>;

/** Tells who is asking; undefined for who was not let in. */
export type ReachOf = (request: Request) => Reach | undefined;

const refusals: Record<Exclude<Access, 'anyone'>, string> = {
  helper: 'This device is not paired.',
  finisher: 'A helper can see everything, and log, time and photograph what is done. This needs a finisher.',
  computer: 'This is done at the computer itself.',
};

const stated = new WeakMap<RequestHandler, Access>();

/** Lets in who may call a route. What states nothing lets nobody in. */
function gate(access: Access | undefined, reachOf: ReachOf): RequestHandler {
  const handler: RequestHandler = (request, _response, next) => {
    if (access === 'anyone') return next();
    const reach = reachOf(request);
    if (access === undefined || reach === undefined || accesses.indexOf(reach) < accesses.indexOf(access))
      throw new Problem('not-allowed', refusals[access ?? 'computer']);
    next();
  };
  if (access !== undefined) stated.set(handler, access);
  return handler;
}

type Method = 'get' | 'post' | 'put' | 'patch' | 'delete';
/** A handler; what it returns is waited for, and what it throws is answered. */
type Handler = (request: Request, response: Response, next: NextFunction) => unknown;
type Add = (access: Access, path: string | RegExp, ...handlers: Handler[]) => void;

/** Routes that each say who may call them; `router` is what an application uses. */
export type Routes = Record<Method, Add> & { router: Router };

/**
 * A router whose routes state who may call them, before anything else of them is done. An address is what it is, letter by letter: other
 * capitals or one more slash are another address, which is not there.
 */
export function routesWith(reachOf: ReachOf): Routes {
  const router = Router({ caseSensitive: true, strict: true });
  const adder =
    (method: Method): Add =>
    (access, path, ...handlers) =>
      void router[method](path, gate(access, reachOf), ...(handlers as RequestHandler[]));
  return {
    router,
    get: adder('get'),
    post: adder('post'),
    put: adder('put'),
    patch: adder('patch'),
    delete: adder('delete'),
  };
}

/** A route, and who may call it; undefined where it does not say. */
export interface Right {
  method: string;
  path: string;
  access: Access | undefined;
}

interface Layer {
  handle: RequestHandler & { stack?: Layer[] };
  route?: { path: string | RegExp; stack: { method: string; handle: RequestHandler }[] };
}

/** Every route in a router and in those within, in the order they are tried. @param prefix where it is mounted */
export function rightsOf(router: object, prefix = ''): Right[] {
  const { stack = [] } = router as { stack?: Layer[] };
  return stack.flatMap(({ route, handle }) => {
    if (!route) return rightsOf(handle, prefix);
    const methods = [...new Set(route.stack.map(({ method }) => method))];
    return methods.map((method) => ({
      method: method.toUpperCase(),
      path: `${prefix}${String(route.path)}`,
      access: stated.get(route.stack.find((one) => one.method === method)!.handle),
    }));
  });
}

/** @throws Error naming every route in an application that does not say who may call it */
export function refuseUnstated(application: { router: object }): void {
  const open = rightsOf(application.router).filter(({ access }) => access === undefined);
  if (open.length > 0)
    throw new Error(
      `These routes do not say who may call them: ${open.map(({ method, path }) => `${method} ${path}`).join(', ')}`,
    );
}
