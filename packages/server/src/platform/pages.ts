/** The built browser application: its files, and its one page for every address of a place. */
import { join } from 'node:path';
import express, { type Express } from 'express';
import { Refusal } from './problems';

export function servePages(app: Express, folder: string): void {
  app.use(
    express.static(folder, {
      index: false,
      setHeaders: (response, path) =>
        response.setHeader(
          'Cache-Control',
          /assets/.test(path) ? 'public, max-age=31536000, immutable' : 'no-cache',
        ),
    }),
  );
  // A file that is not there is not the page: a page of an older version that asks for its own is told so.
  app.get([/^\/assets\//, /\.[a-z0-9]{2,5}$/], () => {
    throw new Refusal('not-found', 'path', 'a file of this version; load the page again');
  });
  const page = join(folder, 'index.html');
  app.get(/^(?!\/api\/)/, (_request, response) =>
    response.sendFile(page, { headers: { 'Cache-Control': 'no-cache' } }),
  );
}
