import compression from 'compression';
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import express, { type Express } from 'express';
import helmet from 'helmet';
import { guarded, plainErrors } from './guard';
import { kitchens } from './kitchens';

/** The scripts that stand inside the exported pages, as the policy wants them: by hash. */
export function inlineScriptHashes(html: string): string[] {
  const hashes = new Set<string>();
  for (const [, attributes = '', body = ''] of html.matchAll(/<script\b([^>]*)>([\s\S]*?)<\/script>/g)) {
    if (/\bsrc=/.test(attributes) || body === '') continue;
    hashes.add(`'sha256-${createHash('sha256').update(body).digest('base64')}'`);
  }
  return [...hashes];
}

/**
 * Serves the export in `dist`: pages without trailing slashes, history fallback, compression, headers.
 * Nothing but this origin is allowed, see README.
 * @param workerFile the thread of the stand-in kitchens @param potLimitMs see `kitchens`
 */
export function ovalisServer(dist: string, workerFile: string, potLimitMs?: number): Express {
  const pages = readdirSync(dist).filter((f) => f.endsWith('.html'));
  const hashes = [...new Set(pages.flatMap((f) => inlineScriptHashes(readFileSync(path.join(dist, f), 'utf8'))))];
  const app = express();
  app.disable('x-powered-by');
  app.use(guarded);
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'self'"],
          scriptSrc: ["'self'", ...hashes],
          styleSrc: ["'self'", "'unsafe-inline'"],
          fontSrc: ["'self'"],
          imgSrc: ["'self'", 'data:', 'blob:'],
          connectSrc: ["'self'"],
          workerSrc: ["'self'"],
          manifestSrc: ["'self'"],
          objectSrc: ["'none'"],
          baseUri: ["'self'"],
          formAction: ["'self'"],
          frameAncestors: ["'none'"],
        },
      },
      strictTransportSecurity: false,
    }),
  );
  // a stream is told as it comes, never held back to be packed
  app.use(compression({ filter: (req, res) => !req.path.endsWith('/stream') && compression.filter(req, res) }));
  app.get('/healthz', (_req, res) => {
    res.json({ ok: true });
  });
  app.use('/kitchens', kitchens(workerFile, Date.now, potLimitMs));
  const hashed = /^\/(_expo\/static|assets)\//;
  app.use((req, res, next) => {
    // a page's own name: no slash behind it, and no ending where somebody looks at it; a store for later takes the file
    const looked = /text\/html/.test(req.headers.accept ?? '') && req.path !== '/+not-found.html';
    const named = (looked ? req.path.replace(/\/index\.html$/, '/').replace(/\.html$/, '') : req.path)
      .replace(/\/+$/, '')
      .replace(/^\/{2,}/, '/');
    if (req.path.length > 1 && named !== req.path) {
      res.redirect(301, named || '/');
      return;
    }
    next();
  });
  app.use(
    express.static(dist, {
      extensions: ['html'],
      redirect: false,
      setHeaders: (res, file) => {
        const rel = '/' + path.relative(dist, file).replaceAll(path.sep, '/');
        const font = rel.startsWith('/fonts/') && rel.endsWith('.woff2');
        res.setHeader(
          'Cache-Control',
          hashed.test(rel) ? 'public, max-age=31536000, immutable' : font ? 'public, max-age=604800' : 'no-cache',
        );
      },
    }),
  );
  // an address typed by hand: the not-found page has the whole app in it
  app.use((req, res) => {
    if (req.method !== 'GET' && req.method !== 'HEAD') {
      res.setHeader('Allow', 'GET, HEAD');
      res.status(405).type('text/plain').send('should be GET');
      return;
    }
    if (path.extname(req.path)) {
      res.status(404).type('text/plain').send('not here');
      return;
    }
    const notFound = path.join(dist, '+not-found.html');
    res.status(404).setHeader('Cache-Control', 'no-cache');
    res.sendFile(existsSync(notFound) ? notFound : path.join(dist, 'index.html'));
  });
  app.use(plainErrors);
  return app;
}
