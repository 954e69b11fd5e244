/**
 * From a request to a service and back: params, query and body pass the route's schemas first, the answer
 * passes its output schema last. A refusal keeps its status and words; anything else is logged under an id
 * and answered with that id alone.
 */
import type { AnySchema, Route } from '@finch/contract';
import type { ErrorRequestHandler, Request, RequestHandler, Router } from 'express';
import type { Logger } from 'pino';
import { v7 as uuid } from 'uuid';
import * as v from 'valibot';
import { Refusal } from './problems';

export interface Call<P extends AnySchema, Q extends AnySchema, B extends AnySchema> {
  readonly params: v.InferOutput<P>;
  readonly query: v.InferOutput<Q>;
  readonly body: v.InferOutput<B>;
  readonly request: Request;
}

function parse<S extends AnySchema>(schema: S, input: unknown, code: string): v.InferOutput<S> {
  const parsed = v.safeParse(schema, input ?? {}, { abortEarly: true });
  if (parsed.success) return parsed.output;
  const issue = parsed.issues[0];
  throw new Refusal(code, v.getDotPath(issue) ?? 'body', issue.message.slice(0, 200));
}

/** Mounts a route: its schemas guard the service. */
export function mount<P extends AnySchema, Q extends AnySchema, B extends AnySchema, O extends AnySchema>(
  router: Router,
  route: Route<P, Q, B, O>,
  serve: (call: Call<P, Q, B>) => Promise<v.InferInput<O>>,
): void {
  const handler: RequestHandler = async (request, response) => {
    const params = parse(route.params, request.params, 'request.params');
    const query = parse(route.query, request.query, 'request.query');
    const body = parse(route.body, request.method === 'GET' ? {} : request.body, 'request.body');
    const answer = await serve({ params, query, body, request });
    response.json(v.parse(route.output, answer));
  };
  router[route.method](route.path, handler);
}

/** Gives every request an id that stands in each of its log lines and problems. */
export const requestId: RequestHandler = (_request, response, next) => {
  response.locals.requestId = uuid();
  response.setHeader('X-Request-Id', response.locals.requestId);
  next();
};

const DATABASE_DOWN = new Set(['ECONNREFUSED', 'ECONNRESET', '57P01', '57P03', '08006', '08003']);

interface Coded {
  readonly code?: string;
  readonly type?: string;
  readonly status?: number;
  readonly driverError?: { readonly code?: string };
}

/** Turns whatever was thrown into `{code, at, detail}`. */
export function answerErrors(log: Logger): ErrorRequestHandler {
  return (error: unknown, request, response, next) => {
    if (response.headersSent) {
      next(error);
      return;
    }
    const id = String(response.locals.requestId ?? '');
    const refusal = asRefusal(error);
    if (refusal) {
      if (refusal.status >= 500) log.error({ requestId: id, code: refusal.problem.code }, 'refused');
      response.status(refusal.status).json({ ...refusal.problem, requestId: id });
      return;
    }
    log.error({ requestId: id, method: request.method, path: request.path, err: error }, 'crash');
    response.status(500).json({
      code: 'server.crash',
      at: request.path,
      detail: `Note this number for whoever looks after the server: ${id}`,
      requestId: id,
    });
  };
}

function asRefusal(error: unknown): Refusal | null {
  if (error instanceof Refusal) return error;
  const coded = error as Coded;
  if (coded.type === 'entity.too.large')
    return new Refusal('request.too-large', 'body', 'at most 1 MB at once');
  if (coded.type === 'entity.parse.failed')
    return new Refusal('request.json', 'body', 'JSON that can be read');
  if (coded.type && coded.status && coded.status < 500)
    return new Refusal('request.json', 'body', 'a JSON body in UTF-8');
  const code = coded.driverError?.code ?? coded.code;
  if (code && DATABASE_DOWN.has(code))
    return new Refusal('server.database', 'database', 'the database does not answer; try again in a moment');
  return null;
}
