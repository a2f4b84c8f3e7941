import createClient, { type Middleware } from 'openapi-fetch';
import { say } from '../i18n';
import type { AdoptionDecision, DesignStep, Part, paths, StepLine } from './schema';

/** What the server says went wrong (RFC 9457). */
export interface Problem {
  detail: string;
  status: number;
  fields?: Record<string, string>;
  missing?: Part[];
  findings?: string[];
  changed?: string[];
  current?: unknown;
}

export class ApiError extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }
}

export function token(): string {
  // Over TLS its name says that only this host can have set it.
  const found = /(?:^|; )(?:__Host-)?XSRF-TOKEN=([^;]*)/.exec(document.cookie);
  return found?.[1] ? decodeURIComponent(found[1]) : '';
}

/** What went wrong, from an answer that says so or from one that nobody expects. */
export function failed(status: number, text: string): ApiError {
  try {
    return new ApiError({ ...JSON.parse(text), status });
  } catch {
    return new ApiError({ detail: say('common.unexpected'), status });
  }
}

/** Throws what an answer says went wrong, unless nothing did. */
export async function refuseFailure(response: Response) {
  if (!response.ok) throw failed(response.status, await response.clone().text());
}

let signedOut = () => {};

/** Told when the server does not know any more who asks. */
export function whenSignedOut(tell: () => void) {
  signedOut = tell;
}

const guard: Middleware = {
  onRequest({ request }) {
    if (request.method !== 'GET') request.headers.set('X-XSRF-TOKEN', token());
    return request;
  },
  onError: ({ error }) =>
    error instanceof ApiError ? error : new Error(say('common.unreachable')),
  async onResponse({ response }) {
    if (response.status === 401) signedOut();
    await refuseFailure(response);
  },
};

export const api = createClient<paths>({ baseUrl: '/', headers: { Accept: 'application/json' } });
api.use(guard);

/** The data of a call that cannot come without; failures have been thrown before. */
export async function body<T>(call: Promise<{ data?: T }>): Promise<T> {
  const { data } = await call;
  return data as T;
}

export type * from './schema';

/** What to do about the words of a framework. */
export type Decision = AdoptionDecision['decision'];
export type StepKind = DesignStep['kind'];
export type StepState = StepLine['state'];
