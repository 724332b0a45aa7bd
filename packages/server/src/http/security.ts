import compression from 'compression';
import type { RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import helmet from 'helmet';
import { createHash, timingSafeEqual } from 'node:crypto';
import type { IncomingMessage } from 'node:http';
import { StadionError } from './errors.ts';

/** Where the server may be reached, and by whom. */
export interface Access {
  /** Names that the Host header may carry, without port. */
  hosts: readonly string[];
  /** Required from everyone when set. */
  token?: string;
  /** Lets games read hand-offs and tell events, and nothing else. Only asked for where a token is. */
  gameToken?: string;
  /** Origins of pages in which games run, besides this server's own. */
  gameOrigins?: readonly string[];
}

/** Requests of a game: it reads a hand-off, listens for its changes, and sends events. */
function isForGames({ method, path }: { method: string | undefined; path: string }): boolean {
  if (method === 'GET') return /^\/sample(\/|$)|^\/api\/projects\/[^/]+\/(live|files\/hand-off\.json)$/.test(path);
  return method === 'POST' && /^\/api\/projects\/[^/]+\/events$/.test(path);
}

/** Answers pages of other origins that games run in, for what a game does. */
export function admitGames({ gameOrigins = [] }: Access): RequestHandler {
  return (request, response, next) => {
    const { origin } = request.headers;
    if (origin === undefined || !gameOrigins.includes(origin)) return next();
    const asked = request.method === 'OPTIONS' ? request.get('Access-Control-Request-Method') : request.method;
    if (!isForGames({ method: asked, path: request.path })) return next();
    response.set({
      'Access-Control-Allow-Origin': origin,
      'Access-Control-Allow-Headers': 'Authorization, Content-Type, Last-Event-ID',
      'Cross-Origin-Resource-Policy': 'cross-origin',
      Vary: 'Origin',
    });
    if (request.method === 'OPTIONS') return void response.status(204).end();
    delete request.headers.origin;
    delete request.headers['sec-fetch-site'];
    next();
  };
}

export const LOOPBACK_HOSTS: readonly string[] = ['127.0.0.1', 'localhost', '[::1]'];

const COOKIE = 'stadion-token';

const hostName = (host: string): string => host.replace(/:\d+$/, '');

/** A cookie's value; undefined where it cannot be read. */
function decoded(value: string | undefined): string | undefined {
  try {
    return value === undefined ? undefined : decodeURIComponent(value);
  } catch {
    return undefined;
  }
}

const digest = (text: string): Buffer => createHash('sha256').update(text).digest();

/** Where a request comes from, as the browser says, when it comes from this server's own pages or from nobody's page. */
const OWN_SITES: ReadonlySet<string> = new Set(['same-origin', 'none']);

/** Does a page of another site ask for something? A link that somebody follows is no such request. */
function isFromElsewhere({ method, headers }: Pick<IncomingMessage, 'method' | 'headers'>): boolean {
  const site = headers['sec-fetch-site'];
  if (typeof site !== 'string' || OWN_SITES.has(site)) return false;
  return !(method === 'GET' && headers['sec-fetch-mode'] === 'navigate');
}

/** Refuses other sites' pages: the Host must be one of ours, and an Origin, when there is one, must be the same host. */
export function checkOrigin({ hosts }: Access): RequestHandler {
  return (request, _response, next) => {
    const host = request.headers.host ?? '';
    if (!hosts.includes(hostName(host)) || !URL.canParse(`http://${host}`))
      return next(new StadionError('not-allowed', `This server does not answer as “${host}”.`));
    const { origin } = request.headers;
    if (origin !== undefined && !URL.canParse(origin))
      return next(new StadionError('not-allowed', 'The origin cannot be read.'));
    if (origin !== undefined && new URL(origin).host !== host) {
      return next(new StadionError('not-allowed', `Pages of “${origin}” may not use this server.`));
    }
    if (isFromElsewhere(request))
      return next(new StadionError('not-allowed', 'Pages of other sites may not use this server.'));
    next();
  };
}

/** Returns an address of this server without its token. All else in it stays: a game is started with its project and level there. */
function withoutToken(address: string): string {
  const [path = '', query = ''] = address.split('?', 2);
  const rest = new URLSearchParams(query);
  rest.delete('token');
  // Never “//elsewhere”: a browser would take it for another host.
  return `/${path.replace(/^[/\\]+/, '')}${rest.size > 0 ? `?${rest.toString()}` : ''}`;
}

/** Asks for the token, once in the address (`?token=`), then in a cookie, or as a bearer. */
export function checkToken({ token, gameToken }: Access): RequestHandler {
  if (token === undefined) return (_request, _response, next) => next();
  const wanted = digest(token);
  const forGames = gameToken === undefined ? undefined : digest(gameToken);
  const isGame = (given: unknown): boolean =>
    typeof given === 'string' && forGames !== undefined && timingSafeEqual(digest(given), forGames);
  const fits = (given: string | undefined): boolean => given !== undefined && timingSafeEqual(digest(given), wanted);
  return (request, response, next) => {
    const given = request.query['token'];
    if (typeof given === 'string' && fits(given) && request.method === 'GET') {
      response.cookie(COOKIE, given, { httpOnly: true, sameSite: 'strict' });
      return response.redirect(303, withoutToken(request.originalUrl));
    }
    const cookie = decoded(new RegExp(`(?:^|; )${COOKIE}=([^;]*)`).exec(request.headers.cookie ?? '')?.[1]);
    const bearer = /^Bearer (.+)$/.exec(request.headers.authorization ?? '')?.[1];
    if (fits(bearer) || fits(cookie)) return next();
    // A game cannot set headers on what it listens to: its token may stand in the address, too.
    if (isForGames(request) && (isGame(bearer) || isGame(given))) return next();
    next(new StadionError('token-missing', 'Open the address that the server printed, with its token.'));
  };
}

/** Security headers for a page that loads nothing from elsewhere. Plain http on this machine: no upgrade, no HSTS. */
export const headers: RequestHandler = helmet({
  contentSecurityPolicy: {
    useDefaults: false,
    directives: {
      'default-src': ["'self'"],
      'script-src': ["'self'"],
      'style-src': ["'self'", "'unsafe-inline'"],
      'img-src': ["'self'", 'data:', 'blob:'],
      'font-src': ["'self'"],
      'connect-src': ["'self'"],
      'worker-src': ["'self'", 'blob:'],
      'object-src': ["'none'"],
      'base-uri': ["'none'"],
      'form-action': ["'self'"],
      'frame-ancestors': ["'none'"],
    },
  },
  strictTransportSecurity: false,
  crossOriginEmbedderPolicy: false,
}) as RequestHandler;

/** Server-sent events must not wait in a compressor's buffer. */
export const compress: RequestHandler = compression({
  filter: (request, response) => !/\/(events|live)$/.test(request.path) && compression.filter(request, response),
}) as RequestHandler;

/** @param most requests in a minute, from one address */
export const limitRate = (most: number): RequestHandler =>
  rateLimit({
    windowMs: 60_000,
    limit: most,
    standardHeaders: 'draft-7',
    legacyHeaders: false,
    handler: (_request, _response, next) =>
      next(new StadionError('too-many', `More than ${most.toLocaleString('en')} requests in a minute: wait a moment.`)),
  });
