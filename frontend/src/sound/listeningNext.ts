import { ApiError } from '../api/client';
import type { Takes } from './takes';
import type { EarNext } from './useEarNext';
import type { useTaking } from './useTaking';
import * as say from '../messages/compiled/sound';

interface Standing {
  isBusy: boolean;
  /** What was heard stands there. */
  isResult: boolean;
  takeOver: () => void;
}

/** Record, then done, then take it; nothing while it counts or measures. */
export function nextOf(
  takes: Takes,
  taking: ReturnType<typeof useTaking>,
  { isBusy, isResult, takeOver }: Standing,
): EarNext {
  const asked = takes.found.filter((found) => found.is_asked);
  const heard = isResult ? asked.map(({ finger, grade }) => ({ finger, grade })) : [];
  const is = (words: string, act: (() => void) | null): EarNext => ({ words, act, heard });
  if (isBusy) return is(say.measuringAlone(), null);
  if (taking.phase.kind === 'playing') return is(say.done(), taking.finish);
  if (taking.phase.kind !== 'still') return is(say.listen(), null);
  if (asked.length > 0 && isResult) return is(say.takeIt(), takeOver);
  if (takes.paused) return is(say.rest(), null);
  return is(say.record(), () => void taking.start());
}

/** True where the sound has not arrived: no network, signed out, a server with a problem. */
export function mayGoAgain(error: Error): boolean {
  if (error instanceof ApiError) return error.status === 401 || error.status >= 500;
  return isUnsent(error);
}

function isUnsent(error: Error): boolean {
  return error instanceof TypeError || error instanceof DOMException;
}

export function problemWords(error: Error): string {
  if (isUnsent(error)) return say.noConnectionToJolfThe();
  const field = error instanceof ApiError ? error.fields[0] : undefined;
  return field?.field === 'file' ? say.theFile({ problem: field.problem }) : error.message;
}

/** The first part that has no take that tells anything, else the first. */
export function nextPart(takes: Takes): Takes['parts'][number] {
  const heard = new Set(takes.takes.filter((take) => take.usable).map((take) => take.part));
  const open = takes.parts.find((each) => !heard.has(each.part)) ?? takes.parts[0];
  if (!open) throw new Error('a check that can be heard has a part to play');
  return open;
}
