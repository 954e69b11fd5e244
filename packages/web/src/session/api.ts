/** Calls a route of the contract: what goes out and what comes back pass the same schemas as on the server. */
import { problemSchema, type AnySchema, type ProblemBody, type Route } from '@finch/contract';
import * as v from 'valibot';

/** The server refused, with its reason. */
export class Refused extends Error {
  readonly problem: ProblemBody;
  readonly status: number;
  constructor(problem: ProblemBody, status: number) {
    super(`${problem.code} at ${problem.at}: ${problem.detail}`);
    this.problem = problem;
    this.status = status;
  }
}

/** Nobody answered: the server is away or the network is. */
export class Unanswered extends Error {
  readonly problem: ProblemBody = { code: 'server.away', at: 'server', detail: '' };
}

interface Arguments<P extends AnySchema, Q extends AnySchema, B extends AnySchema> {
  readonly params?: v.InferInput<P>;
  readonly query?: v.InferInput<Q>;
  readonly body?: v.InferInput<B>;
}

export async function call<
  P extends AnySchema,
  Q extends AnySchema,
  B extends AnySchema,
  O extends AnySchema,
>(route: Route<P, Q, B, O>, given: Arguments<P, Q, B> = {}): Promise<v.InferOutput<O>> {
  const params = (given.params ?? {}) as Record<string, string>;
  const asked = new URLSearchParams((given.query ?? {}) as Record<string, string>).toString();
  const path = route.path.replace(/:(\w+)/g, (_, name: string) => encodeURIComponent(params[name] ?? ''));
  const url = asked ? `${path}?${asked}` : path;
  const init: RequestInit = { method: route.method.toUpperCase(), credentials: 'same-origin' };
  if (route.method !== 'get') {
    init.headers = { 'Content-Type': 'application/json' };
    init.body = JSON.stringify(given.body ?? {});
  }
  let response: Response;
  try {
    response = await fetch(url, init);
  } catch {
    throw new Unanswered('the server did not answer');
  }
  const body: unknown = await response.json().catch(() => null);
  if (response.ok) return v.parse(route.output, body);
  const problem = v.safeParse(problemSchema, body);
  if (!problem.success || response.status === 502 || response.status === 504)
    throw new Unanswered('the server did not answer');
  throw new Refused(problem.output, response.status);
}
