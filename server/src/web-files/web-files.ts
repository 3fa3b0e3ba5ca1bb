import express, { type RequestHandler, Router } from 'express';
import { ProblemError } from '../problems/problem-error.js';

const YEAR_SECONDS = 365 * 24 * 3600;

/** The built application: hashed files are kept for a year, the page that names them never. A file that is not there is a 404. */
export function webFiles(directory: string): Router {
  const router = Router();
  const page: RequestHandler = (_request, response) => {
    // Named from its folder: on the way there a folder may be a hidden one.
    response.set('cache-control', 'no-cache').sendFile('index.html', { root: directory });
  };
  router.get('/', page);
  router.use(
    express.static(directory, {
      index: false,
      setHeaders: (response, path) => {
        response.set('cache-control', /-[A-Z0-9]{8}\.\w+$/.test(path) ? `public, max-age=${YEAR_SECONDS}, immutable` : 'no-cache');
      },
    }),
  );
  router.get('/{*path}', (request, response, next) => {
    if (request.path.startsWith('/api/') || /\.\w+$/.test(request.path)) throw new ProblemError('not_found');
    page(request, response, next);
  });
  return router;
}
