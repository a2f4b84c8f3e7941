import { beforeEach, describe, expect, it } from 'vitest';
import { network } from '../test/network';
import { ApiError, api, body } from './client';

function answer(status: number, text: string) {
  const requests: Request[] = [];
  network.answer = async (request) => {
    requests.push(request);
    return new Response(text, { status });
  };
  return requests;
}

describe('calls to the server', () => {
  beforeEach(() => {
    // biome-ignore lint/suspicious/noDocumentCookie: the cookie that the server would set
    document.cookie = 'XSRF-TOKEN=a%2Fb';
  });

  it('carry the forgery token when they change something', async () => {
    const requests = answer(200, '{}');
    await api.DELETE('/api/session');
    await api.GET('/api/session');
    expect(requests[0]?.headers.get('X-XSRF-TOKEN')).toBe('a/b');
    expect(requests[1]?.headers.get('X-XSRF-TOKEN')).toBeNull();
  });

  it('throw what the server says went wrong', async () => {
    answer(422, '{"title":"Invalid","detail":"code: is taken","fields":{"code":"is taken"}}');
    const failed = await body(api.GET('/api/session')).catch((e: unknown) => e);
    expect(failed).toBeInstanceOf(ApiError);
    expect((failed as ApiError).problem).toMatchObject({
      status: 422,
      fields: { code: 'is taken' },
    });
  });

  it('say something useful when the answer is no problem of ours', async () => {
    answer(502, '<html>bad gateway</html>');
    const failed = await body(api.GET('/api/session')).catch((e: unknown) => e);
    expect((failed as ApiError).message).toContain('Try again');
    expect((failed as ApiError).problem.status).toBe(502);
  });
});
