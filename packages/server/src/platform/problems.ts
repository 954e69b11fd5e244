/** Refusals: `{code, at, detail}` with the right status. One table says which code is which status. */
import type { Problem } from '@finch/core';

const STATUS: Readonly<Record<string, number>> = {
  'request.json': 400,
  'request.malformed': 400,
  'request.value': 422,
  'request.body': 422,
  'request.params': 404,
  'request.query': 422,
  'request.too-large': 413,
  'request.origin': 403,
  'request.host': 403,
  'seat.none': 401,
  'right.missing': 403,
  'piece.not-own': 403,
  'not-found': 404,
  'write.stale': 409,
  'write.twice': 409,
  'write.gone': 409,
  'student.twice': 409,
  'server.database': 503,
  'server.reading': 503,
  'server.busy': 503,
  'server.crash': 500,
};

/** A refusal on its way to the client. Problems of the core without a line here are 422. */
export class Refusal extends Error {
  readonly problem: Problem;
  readonly status: number;

  constructor(code: string, at: string, detail: string) {
    super(`${code} at ${at}: ${detail}`);
    this.problem = { code, at, detail };
    this.status = STATUS[code] ?? 422;
  }
}

export function refuse(problem: Problem): never {
  throw new Refusal(problem.code, problem.at, problem.detail);
}

export const notFound = (what: string): Refusal => new Refusal('not-found', what, 'it is not in this studio');
