import { pino } from 'pino';
import { redisWorker } from './jobs/redis.ts';
import { redisAddressRefused } from './jobs/redisAddress.ts';

/** Plays trials for servers elsewhere: `npm run worker`. */
const url = process.env['STADION_REDIS'] ?? '';
const log = pino({ level: process.env['LOG_LEVEL'] ?? 'warn' });
if (url === '') {
  process.stderr.write(
    'A worker needs the Redis that it shares with the server, for instance: STADION_REDIS=redis://localhost:6379 npm run worker\n',
  );
  process.exit(1);
}
const refused = redisAddressRefused(url);
if (refused !== undefined) {
  process.stderr.write(`The worker cannot start: ${refused}\n`);
  process.exit(1);
}
const threads = Number(process.env['STADION_THREADS'] ?? Number.NaN);
const worker = redisWorker(url, log, Number.isInteger(threads) && threads > 0 ? threads : undefined);
process.stdout.write('The worker plays trials. Ctrl C ends it: what it plays then is played elsewhere.\n');
const stop = (): void => void worker.close().then(() => process.exit(0));
process.once('SIGINT', stop);
process.once('SIGTERM', stop);
