import type { RequestHandler } from 'express';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';

interface Logged {
  id: unknown;
  method: string;
  url: string;
}

/** The address without what opens the server. @example '/?token=…' */
export const withoutToken = (url: string): string => url.replace(/([?&]token=)[^&]*/gi, '$1…');

/** One line per request. Headers are left out: they carry tokens and cookies. */
export const logRequests = (log: Logger): RequestHandler =>
  pinoHttp({
    logger: log,
    autoLogging: { ignore: (request) => request.url === '/api/health' },
    serializers: {
      req: ({ id, method, url }: Logged) => ({ id, method, url: withoutToken(url) }),
      res: ({ statusCode }: { statusCode: number }) => ({ statusCode }),
    },
  });
