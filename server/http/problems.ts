/** Whatever went wrong, as a problem document (RFC 9457). */
import { type ErrorRequestHandler } from 'express';
import { type Request } from 'express';
import { MulterError } from 'multer';
import type { Logger } from 'pino';
import { MAX_PHOTO_MB } from '../../contract/form/limits.ts';
import type { Env } from '../context/context.ts';
import { conflictOf } from '../store/conflicts.ts';
import { Problem, problemDocument } from '../context/problem.ts';
import { languageOf } from './request.ts';

/** Answers whatever was thrown as a problem document; what was not foreseen is logged with its stack. */
export function answerProblems(env: Env, logger: Logger): ErrorRequestHandler {
  return (error, request, response, next) => {
    if (response.headersSent) return next(error);
    const problem = asProblem(error, request);
    if (problem.status === 500)
      logger.error({ err: error, method: request.method, path: request.path }, 'unexpected error');
    response
      .status(problem.status)
      .type('application/problem+json')
      .send(JSON.stringify(problemDocument(problem, env.sayIn(languageOf(request)))));
  };
}

/**
 * The problem that an error of Express, of a form or of the store amounts to.
 * @throws Problem: tooLarge (413), badRequest (400), formTooLarge (413), internal (500)
 */
export function asProblem(error: unknown, request: Request): Problem {
  if (error instanceof Problem) return error;
  if (error instanceof MulterError)
    return error.code === 'LIMIT_FILE_SIZE'
      ? new Problem(413, 'tooLarge', { mb: MAX_PHOTO_MB })
      : new Problem(400, 'badRequest');
  const conflict = conflictOf(error);
  if (conflict) return new Problem(409, conflict);
  const status = (error as { status?: number } | null)?.status;
  // Photos have their own limit above; what is left is a form.
  if (status === 413)
    return new Problem(413, 'formTooLarge', { kb: Math.round(Number(request.get('content-length') ?? 0) / 1024) });
  return status !== undefined && status >= 400 && status < 500
    ? new Problem(400, 'badRequest')
    : new Problem(500, 'internal');
}
