import { isIP } from 'node:net';
import type { ErrorRequestHandler, RequestHandler } from 'express';

/** Names that this server may be called by beside "localhost" and plain addresses, from ALLOWED_HOSTS. */
const named = (): string[] => (process.env['ALLOWED_HOSTS'] ?? '').split(',').filter(Boolean);

const hostnameOf = (host: string): string | undefined => {
  try {
    return new URL(`http://${host}`).hostname.replace(/^\[|\]$/g, '');
  } catch {
    return undefined;
  }
};

/**
 * Only who means this server is answered: a name that somebody else made point here (DNS rebinding) is refused, and so is
 * a change asked for by another page.
 */
export const guarded: RequestHandler = (req, res, next) => {
  const { host, origin } = req.headers;
  const name = host === undefined ? undefined : hostnameOf(host);
  if (name === undefined || !(name === 'localhost' || isIP(name) || named().includes(name))) {
    res.status(421).type('text/plain').send('this server is not called so; see ALLOWED_HOSTS in the README');
    return;
  }
  const changes = req.method !== 'GET' && req.method !== 'HEAD';
  const elsewhere =
    (origin !== undefined && origin !== `http://${host}` && origin !== `https://${host}`) ||
    req.headers['sec-fetch-site'] === 'cross-site';
  if (changes && elsewhere) {
    res.status(403).type('text/plain').send('asked for by another page');
    return;
  }
  next();
};

/** The last word on what went wrong: short, without a stack. */
export const plainErrors: ErrorRequestHandler = (error: { status?: number; type?: string }, _req, res, next) => {
  if (res.headersSent) return next(error);
  const status = error.status && error.status >= 400 && error.status < 600 ? error.status : 500;
  const why =
    error.type === 'entity.parse.failed'
      ? 'this is not JSON'
      : error.type === 'entity.too.large'
        ? 'this is too large'
        : status < 500
          ? 'this cannot be read'
          : 'something broke here; it was not your request';
  res.status(status).json({ error: why });
};
