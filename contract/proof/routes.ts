/** Routes of photos and verdicts. */
import { MAX_PHOTO_MB } from '../form/limits.ts';
import { DOERS, MANAGER, passing, read, refusing, write, wholeOffice } from '../route.ts';
import type { ChangeLookRule, Judge, JudgeMany, ManyJudged, ProofAnswer, ProofQueue } from './proof.ts';

export const proofRoutes = {
  'photo.create': refusing(
    write('POST', '/photos', DOERS, MAX_PHOTO_MB * 1024, 60),
    'notImage',
    'tooLarge',
    'photoSize',
    'photoQuota',
    'busy',
  ),
  'photo.read': read('/photos/:id', DOERS),
  'proof.queue': passing<{ answer: ProofQueue }>()(read('/proof', MANAGER)),
  'proof.rule': wholeOffice(
    passing<{ form: ChangeLookRule; answer: object }>()(write('PUT', '/proof-rule', MANAGER, 1)),
  ),
  'proof.read': passing<{ answer: ProofAnswer }>()(read('/proof/:id', MANAGER)),
  'proof.judge': passing<{ form: Judge; answer: { state: string } }>()(
    refusing(write('POST', '/proof/:id/verdict', MANAGER), 'judged'),
  ),
  'proof.judgeMany': passing<{ form: JudgeMany; answer: ManyJudged }>()(
    write('POST', '/proof/verdicts', MANAGER, 8, 60),
  ),
  'proof.undo': passing<{ answer: { state: string } }>()(
    refusing(write('POST', '/proof/:id/undo', MANAGER), 'undoOver'),
  ),
} as const;
