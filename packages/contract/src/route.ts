/** A route as data: method, path and the schemas of what goes in and comes out. Server, client and tests share it. */
import type * as v from 'valibot';

export type AnySchema = v.GenericSchema<unknown, unknown>;

export interface Route<
  Params extends AnySchema,
  Query extends AnySchema,
  Body extends AnySchema,
  Output extends AnySchema,
> {
  readonly method: 'get' | 'post' | 'put' | 'delete';
  /** Express path, e.g. `/api/students/:studentId`. */
  readonly path: string;
  readonly params: Params;
  readonly query: Query;
  readonly body: Body;
  readonly output: Output;
  /** Each of what the body lists is judged for itself by its service; the body is not refused for one of them. */
  readonly judgesEach?: true;
}

export function route<P extends AnySchema, Q extends AnySchema, B extends AnySchema, O extends AnySchema>(
  definition: Route<P, Q, B, O>,
): Route<P, Q, B, O> {
  return definition;
}
