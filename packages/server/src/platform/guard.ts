/**
 * Who may speak to this server at all: loopback names alone in Host, and for anything that writes an Origin
 * that is the server itself. A page from elsewhere can neither read nor write here.
 */
import type { RequestHandler } from 'express';
import { Refusal } from './problems';

const LOOPBACK = new Set(['localhost', '127.0.0.1', '[::1]']);
const SAFE = new Set(['GET', 'HEAD', 'OPTIONS']);

export const guard: RequestHandler = (request, _response, next) => {
  const host = request.headers.host ?? '';
  const name = host.replace(/:\d+$/, '');
  if (!LOOPBACK.has(name))
    throw new Refusal('request.host', 'Host', 'this server answers on this computer alone');
  if (!SAFE.has(request.method)) {
    const origin = request.headers.origin;
    if (origin !== `http://${host}`) throw new Refusal('request.origin', 'Origin', 'a page of this server');
  }
  next();
};
