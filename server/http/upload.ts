/** Photos as they come in: to the disk, so many at once, and read from there when their turn comes. */
import { createHash } from 'node:crypto';
import { createReadStream, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { type RequestHandler } from 'express';
import multer, { MulterError } from 'multer';
import { v4 } from 'uuid';
import { MAX_PHOTO_MB } from '../../contract/form/limits.ts';
import { Problem } from '../context/problem.ts';
import { actorOf, identityOf } from './request.ts';

/** Uploads under way at once, slow ones and all; the disk holds no more than so many photos that nobody knows yet. */
const MOST_AT_ONCE = 40;

/**
 * Takes one photo to the disk, with the few fields beside it.
 * @throws Problem: noKey (400), busy (503)
 */
export function uploads(folder: string): RequestHandler[] {
  let underWay = 0;
  const incoming = join(folder, 'incoming');
  const upload = multer({
    storage: multer.diskStorage({
      destination: (_request, _file, done) => {
        mkdirSync(incoming, { recursive: true });
        done(null, incoming);
      },
      filename: (_request, _file, done) => done(null, v4()),
    }),
    limits: { fileSize: MAX_PHOTO_MB * 1024 * 1024, files: 1, fields: 4, fieldSize: 200, parts: 6 },
  });
  const gate: RequestHandler = (request, response, next) => {
    identityOf(request, actorOf(request)!, '');
    if (underWay >= MOST_AT_ONCE) throw new Problem(503, 'busy');
    underWay += 1;
    response.once('close', () => (underWay -= 1));
    next();
  };
  const take = upload.single('photo');
  const read: RequestHandler = (request, response, next) =>
    take(request, response, (error: unknown) => next(error && !isOurs(error) ? new Problem(400, 'badRequest') : error));
  return [gate, read];
}

/** A limit of ours, or the disk's own trouble; anything else is a form that cannot be read. */
const isOurs = (error: unknown) =>
  error instanceof MulterError || typeof (error as { errno?: unknown }).errno === 'number';

/** The SHA-256 of a file, read in pieces. */
export async function hashOfFile(path: string): Promise<string> {
  const hash = createHash('sha256');
  await pipeline(createReadStream(path), hash);
  return hash.digest('hex');
}
