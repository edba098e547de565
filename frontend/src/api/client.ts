import createClient from 'openapi-fetch';

import { fetchInLine } from './inLine';
import type { components, paths } from './schema';
import * as say from '../messages/compiled/words';

export type Schemas = components['schemas'];
export type Lesson = Schemas['LessonOut'];
export type Finding = Schemas['FindingOut'];
export type Evidence = Schemas['EvidenceInfo'];
export type Catalogue = Schemas['CatalogueOut'];

export interface FieldProblem {
  field: string;
  problem: string;
}

/** What the server said when it could not do what was asked. */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
    readonly fields: FieldProblem[],
  ) {
    super(message);
  }
}

/** What went wrong in a few words: what is the matter with the field, else what the server says. */
export function problemWords(error: Error): string {
  if (!(error instanceof ApiError)) return say.noConnectionToJolfTry();
  return error.fields[0]?.problem ?? error.message;
}

function csrfToken(): string {
  return /(?:^|; )csrftoken=([^;]+)/.exec(document.cookie)?.[1] ?? '';
}

const ANSWER_WITHIN = 30_000;
// A file over a slow network takes its time.
const FILE_WITHIN = 240_000;

/** A server that does not answer is no server: the request ends and is made again. */
export const client = createClient<paths>({
  fetch: (request) =>
    fetchInLine(
      request,
      (again) => fetch(again, { signal: AbortSignal.timeout(patience(request)) }),
      Date.now() + FILE_WITHIN,
    ),
});
client.use({
  onRequest({ request }) {
    if (request.method !== 'GET') request.headers.set('X-CSRFToken', csrfToken());
    return request;
  },
});

function patience(request: Request): number {
  const isFile = request.headers.get('content-type')?.startsWith('multipart/') ?? false;
  return isFile ? FILE_WITHIN : ANSWER_WITHIN;
}

interface Answer<T> {
  data?: T;
  error?: unknown;
  response: Response;
}

interface ErrorBody {
  code?: string;
  message?: string;
  fields?: FieldProblem[];
}

/** For answers without a body. */
export function unwrapEmpty(answer: Answer<unknown>): void {
  if (!answer.response.ok) unwrap(answer);
}

/** The data of an answer, or an ApiError with the server's own words. */
export function unwrap<T>({ data, error, response }: Answer<T>): T {
  if (data !== undefined && response.ok) return data;
  const body = (typeof error === 'object' && error !== null ? error : {}) as ErrorBody;
  throw new ApiError(
    response.status,
    body.code ?? 'unknown',
    body.message ?? say.theServerAnswered({ status: response.status }),
    body.fields ?? [],
  );
}
