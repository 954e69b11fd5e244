/**
 * From a request to a service and back: params, query and body pass the route's schemas first, the answer
 * passes its output schema last. A refusal keeps its status and words; anything else is logged under an id
 * and answered with that id alone.
 */
import type { AnySchema, Route } from '@finch/contract';
import { promisify } from 'node:util';
import { gzip } from 'node:zlib';
import type { ErrorRequestHandler, Request, RequestHandler, Response, Router } from 'express';
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

/** Text that no database keeps: NUL, and half of a character of two. */
const UNKEEPABLE = /\0|[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/;

/** Where in what was sent such a text stands, keys included; null where there is none. */
export function unkeepableIn(input: unknown, path = ''): string | null {
  if (typeof input === 'string') return UNKEEPABLE.test(input) ? path || 'text' : null;
  if (typeof input !== 'object' || input === null) return null;
  for (const [key, value] of Object.entries(input)) {
    const at = path ? `${path}.${key}` : key;
    if (UNKEEPABLE.test(key)) return path || 'body';
    const found = unkeepableIn(value, at);
    if (found !== null) return found;
  }
  return null;
}

export const KEEPABLE = 'text without NUL and without half characters';

function checkKeepable(input: unknown, code: string): void {
  const unkeepable = unkeepableIn(input);
  if (unkeepable !== null) throw new Refusal(code, unkeepable.slice(0, 100), KEEPABLE);
}

function parse<S extends AnySchema>(schema: S, input: unknown, code: string): v.InferOutput<S> {
  const parsed = v.safeParse(schema, input ?? {}, { abortEarly: true });
  if (parsed.success) return parsed.output;
  const issue = parsed.issues[0];
  throw new Refusal(code, v.getDotPath(issue) ?? 'body', issue.message.slice(0, 200));
}

/** An answer that passed its schema and was packed already, for many who ask the same. */
export class Prepared {
  readonly plain: Buffer;
  readonly packed: Buffer;

  private constructor(plain: Buffer, packed: Buffer) {
    this.plain = plain;
    this.packed = packed;
  }

  static async of<O extends AnySchema>(
    route: Pick<Route<AnySchema, AnySchema, AnySchema, O>, 'output'>,
    body: v.InferInput<O>,
  ): Promise<Prepared> {
    const plain = Buffer.from(JSON.stringify(v.parse(route.output, body)));
    return new Prepared(plain, await pack(plain, { level: 4 }));
  }

  send(request: Request, response: Response): void {
    const packs = request.acceptsEncodings('gzip') === 'gzip';
    response.setHeader('Content-Type', 'application/json; charset=utf-8');
    response.setHeader('Vary', 'Accept-Encoding');
    if (packs) response.setHeader('Content-Encoding', 'gzip');
    response.end(packs ? this.packed : this.plain);
  }
}
const pack = promisify(gzip);

/** Mounts a route: its schemas guard the service. */
export function mount<P extends AnySchema, Q extends AnySchema, B extends AnySchema, O extends AnySchema>(
  router: Router,
  route: Route<P, Q, B, O>,
  serve: (call: Call<P, Q, B>) => Promise<v.InferInput<O> | Prepared>,
): void {
  const handler: RequestHandler = async (request, response) => {
    checkKeepable(request.params, 'request.params');
    checkKeepable(request.query, 'request.query');
    if (!route.judgesEach) checkKeepable(request.body, 'request.body');
    const params = parse(route.params, request.params, 'request.params');
    const query = parse(route.query, request.query, 'request.query');
    const body = parse(route.body, request.method === 'GET' ? {} : request.body, 'request.body');
    const answer = await serve({ params, query, body, request });
    if (answer instanceof Prepared) answer.send(request, response);
    else response.json(v.parse(route.output, answer));
  };
  router[route.method](route.path, handler);
}

/** Gives every request an id that stands in each of its log lines and problems. */
export const requestId: RequestHandler = (_request, response, next) => {
  response.locals.requestId = uuid();
  response.setHeader('X-Request-Id', response.locals.requestId);
  next();
};

/** What the database or the way to it says when it is not there: our own codes of the network, and classes 08, 53 and 57 of SQLSTATE. */
const NETWORK_DOWN = new Set(['ECONNREFUSED', 'ECONNRESET', 'EPIPE', 'ETIMEDOUT', 'ENOTFOUND']);
const SQL_DOWN = /^(08|53|57P)/;
/** What the driver and the mapper say without a code: the mapper lets go of a connection that was lost under it. */
const DRIVER_DOWN =
  /timeout exceeded when trying to connect|connection terminated|connection error|connection timeout|not queryable|cannot use a pool after|already released/i;
/** A value that no column takes (class 22): too large a number, a day there is not, text it cannot keep. */
const SQL_VALUE = /^22/;
/** The same written twice at once, by another who was first. */
const SQL_TWICE = '23505';
/** What it belongs to was taken away meanwhile. */
const SQL_GONE = '23503';
/** Two who waited for each other: one of them is asked to come again. */
const SQL_AGAIN = /^40/;
const RETRY_SECONDS = 2;

interface Coded {
  readonly code?: string;
  readonly message?: string;
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
    const refusal = asRefusal(error, request.path);
    if (refusal) {
      if (refusal.status === 503) response.setHeader('Retry-After', String(RETRY_SECONDS));
      // A server that still reads says so in passing; one whose database is away needs somebody.
      if (refusal.status >= 500)
        log[refusal.problem.code === 'server.reading' ? 'info' : 'error'](
          { requestId: id, code: refusal.problem.code },
          'refused',
        );
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

function asRefusal(error: unknown, path: string): Refusal | null {
  if (error instanceof Refusal) return error;
  const coded = error as Coded;
  if (coded.type === 'entity.too.large')
    return new Refusal('request.too-large', 'body', 'at most 1 MB at once');
  if (coded.type === 'entity.parse.failed')
    return new Refusal('request.json', 'body', 'JSON that can be read');
  if (coded.type && coded.status && coded.status < 500)
    return new Refusal('request.json', 'body', 'a JSON body in UTF-8');
  const code = String(coded.driverError?.code ?? coded.code ?? '');
  // A body that says it is packed and is not.
  if (code.startsWith('Z_')) return new Refusal('request.malformed', 'body', 'a body packed as it says');
  if (NETWORK_DOWN.has(code) || SQL_DOWN.test(code) || DRIVER_DOWN.test(String(coded.message)))
    return new Refusal('server.database', 'database', 'the database does not answer; try again in a moment');
  if (code === SQL_TWICE)
    return new Refusal('write.twice', 'id', 'what is not there yet; the same came a moment before');
  if (code === SQL_GONE)
    return new Refusal('write.gone', 'id', 'what is still there; it was taken away a moment before');
  if (SQL_AGAIN.test(code))
    return new Refusal('server.busy', 'database', 'somebody writes the same just now; try again');
  if (SQL_VALUE.test(code))
    return new Refusal('request.value', 'body', 'numbers, days and text that can be kept');
  if (coded.status !== undefined && coded.status >= 400 && coded.status < 500)
    return new Refusal('request.malformed', path.slice(0, 100), 'an address that can be read');
  return null;
}

/** Of a failure within one event of many: a refusal that stands for it alone; null where the whole server is in trouble. */
export function asOwnFault(error: unknown): Refusal | null {
  const refusal = asRefusal(error, 'event');
  return refusal && refusal.status < 500 ? refusal : null;
}
